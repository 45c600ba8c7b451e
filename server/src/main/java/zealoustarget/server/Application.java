package zealoustarget.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import zealoustarget.server.platform.storage.Reopening;

/** Starts the server; {@code zealous.*} in application.yaml are its settings. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class Application {
  public static void main(String[] arguments) {
    Reopening.keepOpen(() -> SpringApplication.run(Application.class, arguments));
  }
}
