package stillglass.ticket.readings;

import stillglass.ticket.story.Intent;

/// What is to be kept of a measurement or trial.
public sealed interface ReadingIntent extends Intent permits ReadingEvent {}
