package zealoustarget.server.access.signin;

import jakarta.servlet.http.HttpSession;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import zealoustarget.server.access.accounts.Account;

/** The newest sessions of each account; whoever signs in once more ends the oldest. */
@Component
class OpenSessions {
  static final int MOST = 20;

  private final Map<Integer, Deque<HttpSession>> byAccount = new HashMap<>();

  synchronized void begin(Account account, HttpSession session) {
    Deque<HttpSession> own = byAccount.computeIfAbsent(account.id(), id -> new ArrayDeque<>());
    own.remove(session);
    own.add(session);
    while (own.size() > MOST) {
      end(own.remove());
    }
  }

  private static void end(HttpSession session) {
    try {
      session.invalidate();
    } catch (IllegalStateException over) {
      // it ended by itself
    }
  }
}
