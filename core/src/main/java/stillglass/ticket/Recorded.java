package stillglass.ticket;

import java.time.Instant;

/// An event with its place in the story.
/// @param intent number of the intent it came from, rising from 1 within the ticket
/// @param at when it was decided
public record Recorded(long intent, Instant at, TicketEvent event) {}
