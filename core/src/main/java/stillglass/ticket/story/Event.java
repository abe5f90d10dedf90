package stillglass.ticket.story;

/// Something that happened, never changed once stored. Every kind is a record with a [Named] name, and belongs to one subject.
public interface Event {}
