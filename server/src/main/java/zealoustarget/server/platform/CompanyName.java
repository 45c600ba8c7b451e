package zealoustarget.server.platform;

import org.springframework.stereotype.Component;

/** The company's name, for parts that the rules stand upon and that cannot ask them. */
@Component
public class CompanyName {
  private volatile String name = "";

  /** Called with the rules that come into force. */
  public void set(String companyName) {
    this.name = companyName;
  }

  public String get() {
    return name;
  }
}
