package zealoustarget.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;
import zealoustarget.server.platform.DataFolder;
import zealoustarget.server.platform.Reopening;

/** Starts the server; {@code zealous.*} in application.yaml are its settings. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class Application {
  public static void main(String[] arguments) {
    try {
      Reopening.keepOpen(() -> SpringApplication.run(Application.class, arguments));
    } catch (DataFolder.Unusable failure) {
      System.err.println(failure.getMessage()); // there is no log yet
      System.exit(1);
    }
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }
}
