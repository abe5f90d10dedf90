package stillglass.ticket.condition;

import stillglass.ticket.story.Intent;

/// What is to be kept of what was found at a place that is not glass.
public sealed interface ConditionIntent extends Intent permits ConditionEvent {}
