package stillglass.book;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import stillglass.ticket.Fact;
import stillglass.ticket.TicketEvent;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/// Events as JSON rows. The core knows nothing of this: types are named here by mix-ins.
final class EventJson {
    @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "type")
    private interface Named {}

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addMixIn(TicketEvent.class, Named.class)
            .addMixIn(Fact.class, Named.class)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private EventJson() {}

    static String write(TicketEvent event) {
        return MAPPER.writerFor(TicketEvent.class).writeValueAsString(event);
    }

    /// @throws BookTrouble when the row was not written by this program
    static TicketEvent read(String json) {
        try {
            return MAPPER.readerFor(TicketEvent.class).readValue(json);
        } catch (JacksonException e) {
            throw new BookTrouble("The logbook holds an entry this version cannot read: " + e.getOriginalMessage()
                    + ". It was left as it is; a newer Still Glass may read it.", e);
        }
    }
}
