package zealoustarget.server.platform.http;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * What the description of the routes says of records: every component is there but one that is left
 * out where it is null, null is possible where it is marked {@code @Nullable}, and words of an
 * enumeration are listed.
 */
@Configuration
@ConditionalOnWebApplication
class AnswerSchemas {
  /** Records within a class carry its name, so that two of one name stay apart. */
  @Bean
  ModelResolver modelResolver(ObjectMapperProvider mappers) {
    return new ModelResolver(mappers.jsonMapper(), new NestedNames());
  }

  @Bean
  ModelConverter recordSchemas(ObjectMapperProvider mappers) {
    return new RecordSchemas(mappers);
  }

  /**
   * What is only sent to the server may leave out anything; what is missing is refused in words.
   */
  @Bean
  OpenApiCustomizer bodies() {
    return description -> {
      Set<String> answered = new LinkedHashSet<>();
      description.getPaths().values().stream()
          .flatMap(path -> path.readOperations().stream())
          .filter(operation -> operation.getResponses() != null)
          .flatMap(operation -> operation.getResponses().values().stream())
          .filter(response -> response.getContent() != null)
          .flatMap(response -> response.getContent().values().stream())
          .forEach(media -> collect(media.getSchema(), description, answered));
      description
          .getComponents()
          .getSchemas()
          .forEach(
              (name, schema) -> {
                if (!answered.contains(name)) {
                  schema.setRequired(null);
                }
              });
    };
  }

  private static void collect(@Nullable Schema<?> schema, OpenAPI description, Set<String> into) {
    if (schema == null) {
      return;
    }
    if (schema.get$ref() != null) {
      String name = nameOf(schema.get$ref());
      if (into.add(name)) {
        collect(description.getComponents().getSchemas().get(name), description, into);
      }
    }
    collect(schema.getItems(), description, into);
    if (schema.getAdditionalProperties() instanceof Schema<?> values) {
      collect(values, description, into);
    }
    if (schema.getAnyOf() != null) {
      schema.getAnyOf().forEach(one -> collect(one, description, into));
    }
    if (schema.getProperties() != null) {
      schema.getProperties().values().forEach(one -> collect(one, description, into));
    }
  }

  private static String nameOf(String reference) {
    return reference.substring(reference.lastIndexOf('/') + 1);
  }

  private static final class NestedNames extends TypeNameResolver {
    @Override
    protected String nameForClass(Class<?> type, Set<Options> options) {
      Class<?> outer = type.getEnclosingClass();
      String own = super.nameForClass(type, options);
      return outer == null ? own : outer.getSimpleName() + own;
    }
  }

  private record RecordSchemas(ObjectMapperProvider mappers) implements ModelConverter {
    @Override
    public @Nullable Schema<?> resolve(
        AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> others) {
      Schema<?> resolved = others.hasNext() ? others.next().resolve(type, context, others) : null;
      Class<?> raw = raw(type.getType());
      if (resolved != null && raw != null && raw.isRecord()) {
        String reference = resolved.get$ref();
        Schema<?> described =
            reference == null ? resolved : context.getDefinedModels().get(nameOf(reference));
        if (described != null && described.getProperties() != null) {
          describe(described, raw);
        }
      }
      return resolved;
    }

    private @Nullable Class<?> raw(Type type) {
      if (type instanceof Class<?> known) {
        return known;
      }
      JavaType java = type == null ? null : mappers.jsonMapper().constructType(type);
      return java == null ? null : java.getRawClass();
    }

    @SuppressWarnings("rawtypes") // as the library has them
    private static void describe(Schema<?> schema, Class<?> type) {
      Set<String> required =
          new LinkedHashSet<>(Objects.requireNonNullElse(schema.getRequired(), List.<String>of()));
      for (RecordComponent component : type.getRecordComponents()) {
        if (component.getAccessor().isAnnotationPresent(JsonUnwrapped.class)) {
          describe(schema, component.getType());
          required.addAll(Objects.requireNonNullElse(schema.getRequired(), List.of()));
          continue;
        }
        Schema property = schema.getProperties().get(component.getName());
        if (property == null) {
          continue;
        }
        boolean isLeftOut = isLeftOut(component, type);
        if (!isLeftOut) {
          required.add(component.getName());
        }
        WordsOf words = component.getAnnotation(WordsOf.class);
        if (words != null) {
          ((Schema<?>) property).setEnum(null);
          addWords(property, words.value());
        }
        if (property.getItems() != null && hasNulls(component)) {
          property.setItems(orNull(property.getItems()));
        }
        if (!isLeftOut && isNullable(component)) {
          schema.getProperties().put(component.getName(), orNull(property));
        }
      }
      schema.setRequired(List.copyOf(required));
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void addWords(Schema property, Class<? extends Enum<?>> words) {
      Arrays.stream(words.getEnumConstants())
          .map(RecordSchemas::word)
          .forEach(property::addEnumItemObject);
    }

    private static String word(Enum<?> one) {
      try {
        return (String) one.getClass().getMethod("word").invoke(one);
      } catch (ReflectiveOperationException noWord) {
        return one.name().toLowerCase(Locale.ROOT);
      }
    }

    @SuppressWarnings("rawtypes")
    private static Schema orNull(Schema property) {
      if (property.get$ref() != null) {
        Schema<Object> nothing = new Schema<>();
        nothing.setTypes(Set.of("null"));
        Schema<Object> either = new Schema<>();
        either.setAnyOf(List.of(property, nothing));
        return either;
      }
      Set<String> types = new LinkedHashSet<>();
      if (property.getTypes() != null) {
        types.addAll(((Schema<?>) property).getTypes());
      } else if (property.getType() != null) {
        types.add(property.getType());
      }
      types.add("null");
      property.setTypes(types);
      if (property.getEnum() != null) {
        ((Schema<?>) property).getEnum().add(null);
      }
      return property;
    }

    /** Null is left out where the component says so, or its record does and it may be null. */
    private static boolean isLeftOut(RecordComponent component, Class<?> type) {
      JsonInclude own = component.getAccessor().getAnnotation(JsonInclude.class);
      if (own != null) {
        return own.value() == JsonInclude.Include.NON_NULL;
      }
      JsonInclude ofType = type.getAnnotation(JsonInclude.class);
      return ofType != null
          && ofType.value() == JsonInclude.Include.NON_NULL
          && isNullable(component);
    }

    /** Whether a list's entries may be null. */
    private static boolean hasNulls(RecordComponent component) {
      return component.getAnnotatedType() instanceof AnnotatedParameterizedType list
          && list.getAnnotatedActualTypeArguments()[0].isAnnotationPresent(Nullable.class);
    }

    private static boolean isNullable(RecordComponent component) {
      return component.getAnnotatedType().isAnnotationPresent(Nullable.class);
    }
  }
}
