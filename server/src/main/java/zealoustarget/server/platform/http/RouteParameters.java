package zealoustarget.server.platform.http;

import java.lang.reflect.RecordComponent;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** The names of the query's parameters that any route reads. */
@Component
@ConditionalOnWebApplication
public class RouteParameters {
  private final Set<String> names;

  @Autowired
  RouteParameters(@Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping routes) {
    this(
        routes.getHandlerMethods().values().stream()
            .flatMap(RouteParameters::namesOf)
            .collect(Collectors.toUnmodifiableSet()));
  }

  /** Of routes that read these parameters. */
  public RouteParameters(Set<String> names) {
    this.names = Set.copyOf(names);
  }

  /** Whether some route reads a parameter; what none reads cannot change an answer. */
  public boolean isKnown(String name) {
    return names.contains(name);
  }

  private static Stream<String> namesOf(HandlerMethod method) {
    return Stream.of(method.getMethodParameters()).flatMap(RouteParameters::namesOf);
  }

  private static Stream<String> namesOf(MethodParameter parameter) {
    if (parameter.getParameterType().isRecord()) {
      return Stream.of(parameter.getParameterType().getRecordComponents())
          .map(RecordComponent::getName);
    }
    RequestParam asked = parameter.getParameterAnnotation(RequestParam.class);
    if (asked == null || Map.class.isAssignableFrom(parameter.getParameterType())) {
      return Stream.empty();
    }
    parameter.initParameterNameDiscovery(new DefaultParameterNameDiscoverer());
    return Stream.ofNullable(asked.name().isEmpty() ? parameter.getParameterName() : asked.name());
  }
}
