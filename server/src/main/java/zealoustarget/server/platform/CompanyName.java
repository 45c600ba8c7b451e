package zealoustarget.server.platform;

import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The company's name, for parts that the rules stand upon and that cannot ask them. */
@Component
public class CompanyName {
  private volatile String name = "";

  /** Called with the rules that come into force. */
  public void set(@Nullable String companyName) {
    this.name = companyName == null ? "" : companyName;
  }

  public String get() {
    return name;
  }
}
