package zealoustarget.server.closing;

import java.time.YearMonth;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

@Component
class NoBriefings implements CloseList.SignedBriefings {
  @Override
  public @Nullable Signed of(YearMonth month) {
    return null;
  }
}
