package stillglass.ticket.care;

import stillglass.ticket.story.Intent;

/// What is to be kept of cleaning and waiting.
public sealed interface CareIntent extends Intent permits CareEvent {}
