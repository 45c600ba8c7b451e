package zealoustarget.server.platform.http;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A text of an answer that is one of an enumeration's words, for the description of the routes. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.RECORD_COMPONENT)
public @interface WordsOf {
  /** The enumeration; its {@code word()} counts, or its name in small letters. */
  Class<? extends Enum<?>> value();
}
