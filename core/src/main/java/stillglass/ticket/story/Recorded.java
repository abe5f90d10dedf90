package stillglass.ticket.story;

import java.time.Instant;

/// An event with its place in the story of its ticket.
/// @param seq its number within the ticket, rising from 1 without gaps
/// @param act number of the act it came from, rising from 1 within the ticket
/// @param author who acted, as far as that is known
/// @param bench which window or program it came from
/// @param at when it was decided
public record Recorded(long seq, long act, String author, String bench, Instant at, Event event) {}
