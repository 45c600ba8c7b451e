package zealoustarget.server.testing;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import zealoustarget.server.Application;

/** The whole application on a free port, over a data folder, until it is closed. */
public final class RunningServer implements AutoCloseable {
  private final ConfigurableApplicationContext context;

  private RunningServer(ConfigurableApplicationContext context) {
    this.context = context;
  }

  /** Starts over a data folder, empty or from an earlier start. */
  public static RunningServer start(Path data, String... properties) {
    List<String> all = new ArrayList<>(List.of("server.port=0", "zealous.data-dir=" + data));
    all.addAll(List.of(properties));
    return new RunningServer(
        new SpringApplicationBuilder(Application.class)
            .properties(all.toArray(String[]::new))
            .run(all.stream().map(property -> "--" + property).toArray(String[]::new)));
  }

  public Api api() {
    return new Api(port());
  }

  public int port() {
    return context.getEnvironment().getRequiredProperty("local.server.port", Integer.class);
  }

  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  @Override
  public void close() {
    context.close();
  }
}
