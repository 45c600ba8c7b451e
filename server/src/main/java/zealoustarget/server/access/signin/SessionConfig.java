package zealoustarget.server.access.signin;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;

/** Where the page's sign-in is kept: in its session. */
@Configuration
class SessionConfig {
  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }
}
