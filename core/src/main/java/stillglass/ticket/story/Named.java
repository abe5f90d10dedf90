package stillglass.ticket.story;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/// The name under which a kind of event is stored, for ever. When its parts change, the version rises and the book learns to read the older one.
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface Named {
    String value();

    int version() default 1;
}
