package stillglass.ticket.care;

import stillglass.ticket.story.Intent;

/// What is to be kept of cleaning and waiting.
public sealed interface CareIntent extends Intent permits CareEvent.PartCleaned, CareEvent.MadeOf, CareEvent.Flushed, CareEvent.PartHarmed, CareEvent.CavityNamed, CareEvent.CavityOpened, CareEvent.Weighed, CareEvent.Ultraviolet, CareEvent.ChannelMeasured, CareEvent.FoamThere, CareEvent.TimerSet, CareEvent.TimerCleared {}
