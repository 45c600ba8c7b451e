package zealoustarget.server.platform.http;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Lets a filter end a connection whose body is not worth waiting for; by itself the server would
 * read it to its end before the next request.
 */
@Configuration
class UnreadBodies {
  private static final String GIVE_UP = UnreadBodies.class.getName();

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> givingUp() {
    return factory -> factory.addEngineValves(new GivingUp());
  }

  /** Closes the connection after the answer, whatever is still to come. */
  static void giveUp(ServletRequest request) {
    request.setAttribute(GIVE_UP, true);
  }

  private static final class GivingUp extends ValveBase {
    GivingUp() {
      super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
      getNext().invoke(request, response);
      if (request.getAttribute(GIVE_UP) != null) {
        response.finishResponse();
        request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
      }
    }
  }
}
