package zealoustarget.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import zealoustarget.server.Application;

/** The whole application on a free port, over a data folder, until it is closed. */
public final class RunningServer implements AutoCloseable {
  /** Among the properties of a server that is to begin without the tests' account. */
  public static final String OWN_ACCOUNTS = "zealous.accounts.first=";

  /** A data folder with its tables and the tests' account, for copies; null until one was asked. */
  private static Path begun;

  private final ConfigurableApplicationContext context;
  private int made;

  private RunningServer(ConfigurableApplicationContext context) {
    this.context = context;
  }

  /**
   * Starts over a data folder, empty or from an earlier start. What a test does not ask for is not
   * made: a start takes half the time; nor is a password hashed for as long as it should take. An
   * empty folder begins as a copy of one with its tables and the tests' account, as making them
   * takes a third of the rest.
   */
  public static RunningServer start(Path data, String... properties) {
    if (properties.length == 0 && isEmpty(data)) {
      copyBegun(data);
    }
    return run(data, properties);
  }

  /** The same with properties that change nothing of the first account or the first data. */
  public static RunningServer startBegun(Path data, String... properties) {
    copyBegun(data);
    return run(data, properties);
  }

  private static RunningServer run(Path data, String... properties) {
    List<String> all =
        new ArrayList<>(
            List.of(
                "server.port=0",
                "zealous.data-dir=" + data,
                "zealous.accounts.password-kilobytes=64",
                "spring.main.lazy-initialization=true"));
    boolean hasOwn = Arrays.stream(properties).anyMatch(one -> one.equals(OWN_ACCOUNTS));
    if (!hasOwn) {
      all.add("zealous.accounts.first=" + Api.NAME);
      all.add("zealous.accounts.first-password=" + Api.PASSWORD);
    }
    all.addAll(List.of(properties));
    return new RunningServer(
        new SpringApplicationBuilder(Application.class)
            .properties(all.toArray(String[]::new))
            .run(all.stream().map(property -> "--" + property).toArray(String[]::new)));
  }

  private static synchronized void copyBegun(Path data) {
    try {
      if (begun == null) {
        Path folder = Files.createTempDirectory("zealous-begun");
        run(folder).close();
        begun = folder;
      }
      FileSystemUtils.copyRecursively(begun, data);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean isEmpty(Path folder) {
    String[] names = folder.toFile().list();
    return Files.isWritable(folder) && names != null && names.length == 0;
  }

  /** As the first account. */
  public Api api() {
    return new Api(port(), Api.basic(Api.NAME, Api.PASSWORD));
  }

  /** As the first account of a server in another process. */
  public static Api apiAt(int port) {
    return new Api(port, Api.basic(Api.NAME, Api.PASSWORD));
  }

  /** As another account. */
  public Api api(String name, String password) {
    return new Api(port(), Api.basic(name, password));
  }

  /** As a new account of a role; {@code member} null for analysts and approvers. */
  public Api as(String role, String member) {
    String name = role + (member == null ? "" : " " + member) + " " + ++made;
    String tied = member == null ? "null" : "\"" + member + "\"";
    Api.Answer made =
        api()
            .post(
                "/api/v1/accounts",
                "{\"name\": \"%s\", \"role\": \"%s\", \"member\": %s}".formatted(name, role, tied));
    if (made.status() != 201) {
      throw new AssertionError("no account was made: " + made);
    }
    String given = made.text("password");
    Api.Answer changed =
        api(name, given)
            .put(
                "/api/v1/session/password",
                "{\"now\": \"%s\", \"next\": \"%s\"}".formatted(given, Api.PASSWORD));
    if (changed.status() != 200) {
      throw new AssertionError("the password was not changed: " + changed);
    }
    return api(name, Api.PASSWORD);
  }

  /** As nobody. */
  public Api stranger() {
    return new Api(port(), null);
  }

  /** With a token. */
  public Api bearer(String token) {
    return new Api(port(), "Bearer " + token);
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
