package stillglass.book.log;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.grade.DepthReading;
import stillglass.say.Said;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKind;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.story.Event;

/// One of everything that can be stored, made from the shape of the records themselves, so that none is forgotten.
final class Samples {
    static final Instant NOW = Instant.parse("2026-11-24T12:00:00.123456Z");

    /// Whether what may be missing is there.
    private final boolean full;

    Samples(boolean full) {
        this.full = full;
    }

    /// Every kind of event; those that carry a fact once for each kind of fact.
    List<Event> events() {
        List<Event> all = new ArrayList<>();
        EventJson.kinds().entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(e -> {
            boolean carries = List.of(e.getValue().getRecordComponents()).stream().anyMatch(c -> c.getType() == Fact.class);
            if (carries) {
                FactKinds.all().forEach(k -> all.add((Event) made(e.getValue(), k)));
            } else {
                all.add((Event) made(e.getValue(), FactKinds.all().getFirst()));
            }
        });
        return all;
    }

    private Object made(Class<?> type, FactKind kind) {
        RecordComponent[] parts = type.getRecordComponents();
        Class<?>[] types = new Class<?>[parts.length];
        Object[] values = new Object[parts.length];
        for (int i = 0; i < parts.length; i++) {
            types[i] = parts[i].getType();
            values[i] = value(parts[i].getGenericType(), parts[i].getName(), kind);
        }
        try {
            var maker = type.getDeclaredConstructor(types);
            maker.setAccessible(true);
            return maker.newInstance(values);
        } catch (InvocationTargetException e) {
            throw new AssertionError("no sample of " + type.getName() + " " + List.of(values), e.getCause());
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(type.getName(), e);
        }
    }

    private Object value(Type of, String name, FactKind kind) {
        if (of instanceof ParameterizedType p) {
            Type first = p.getActualTypeArguments()[0];
            if (p.getRawType() == Optional.class) {
                return full ? Optional.of(value(first, name, kind)) : Optional.empty();
            }
            if (p.getRawType() == List.class) {
                return full ? new ArrayList<>(List.of(value(first, name, kind), value(first, name, kind))) : List.of();
            }
            if (p.getRawType() == Map.class) {
                Map<Object, Object> map = new LinkedHashMap<>();
                if (full) {
                    map.put(value(first, name, kind), value(p.getActualTypeArguments()[1], name, kind));
                }
                return map;
            }
            throw new AssertionError("no sample of " + of);
        }
        Class<?> type = (Class<?>) of;
        if (type.isEnum()) {
            return type.getEnumConstants()[type.getEnumConstants().length - 1];
        }
        if (type == Fact.class) {
            return made(kind.type(), kind);
        }
        return plain(type, name, kind);
    }

    private Object plain(Class<?> type, String name, FactKind kind) {
        if (type == String.class) {
            return name + " “ä” 前玉 & 'quotes'";
        }
        if (type == double.class || type == Double.class) {
            return 0.25;
        }
        if (type == int.class || type == Integer.class) {
            return 3;
        }
        if (type == long.class || type == Long.class) {
            return 7L;
        }
        if (type == boolean.class || type == Boolean.class) {
            return full;
        }
        if (type == Instant.class) {
            return NOW;
        }
        if (type == LocalDateTime.class) {
            return LocalDateTime.of(2026, 11, 24, 13, 5, 7);
        }
        if (type == LocalDate.class) {
            return LocalDate.of(2026, 12, 4);
        }
        if (type == DepthReading.class) {
            return full ? DepthReading.focus(true, 3, 0.3) : DepthReading.parallax(false, 10, 0.6, 0.1);
        }
        if (type == ClockPosition.class) {
            return ClockPosition.of(4.5);
        }
        if (type == Said.class) {
            return full ? Said.of("ledger.failed", "test", "iris", "what", Said.and(List.of("sticks", Said.of("fact.mm", "mm", 0.5)))) : Said.text("as typed");
        }
        return made(type, kind);
    }
}
