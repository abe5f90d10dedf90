package stillglass.ticket.worth;

import stillglass.ticket.story.Intent;

/// What is to be kept of what a job is worth.
public sealed interface WorthIntent extends Intent permits WorthEvent {}
