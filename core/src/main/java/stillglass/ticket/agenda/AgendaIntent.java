package stillglass.ticket.agenda;

import stillglass.ticket.story.Intent;

/// What is to be kept of when the work is done.
public sealed interface AgendaIntent extends Intent permits AgendaEvent {}
