package zealoustarget.server.access.authorization;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.firewall.FirewalledRequest;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import zealoustarget.server.platform.problems.Problem;
import zealoustarget.server.platform.problems.ProblemWriter;

/**
 * Addresses that can be meant in two ways are refused. Keys of members may hold any sign, so
 * encoded slashes, semicolons and percent signs are let through: routes are found by decoded
 * segments, never by the decoded whole.
 */
@Configuration
class Firewall {
  private static final String PASS = "passthrough";

  @Bean
  HttpFirewall httpFirewall() {
    StrictHttpFirewall firewall = new EncodedOnly();
    firewall.setAllowUrlEncodedSlash(true);
    firewall.setAllowUrlEncodedDoubleSlash(true);
    firewall.setAllowUrlEncodedPercent(true);
    firewall.setAllowBackSlash(true);
    firewall.setAllowSemicolon(true);
    return firewall;
  }

  @Bean
  RequestRejectedHandler rejectedHandler(ProblemWriter problems) {
    return (request, response, why) ->
        problems.write(
            response,
            Problem.REQUEST_UNREADABLE,
            AuthorizationWords.ADDRESS_OR_HEADER_HAS_WRONG_SIGNS);
  }

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> encodedSlashes() {
    return factory ->
        factory.addConnectorCustomizers(
            connector -> {
              connector.setEncodedSolidusHandling(PASS);
              connector.setEncodedReverseSolidusHandling(PASS);
            });
  }

  /** Takes semicolons and slashes of a key only where they are encoded. */
  private static final class EncodedOnly extends StrictHttpFirewall {
    @Override
    public FirewalledRequest getFirewalledRequest(HttpServletRequest request) {
      String address = request.getRequestURI();
      if (address.contains(";") || address.contains("//") || address.contains("\\")) {
        throw new RequestRejectedException(AuthorizationWords.PARAMETER_IN_ADDRESS);
      }
      return super.getFirewalledRequest(request);
    }
  }
}
