package zealoustarget.server.platform.state;

import org.springframework.stereotype.Component;

/** Whether the posted rows are in memory, so that requests get whole answers. */
@Component
public class Readiness {
  private volatile boolean isReady;

  public void open() {
    isReady = true;
  }

  public boolean isReady() {
    return isReady;
  }
}
