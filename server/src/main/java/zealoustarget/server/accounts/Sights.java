package zealoustarget.server.accounts;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.Members;
import zealoustarget.core.ledger.Months;
import zealoustarget.core.ledger.Seen;
import zealoustarget.core.member.Axis;

/**
 * Which rows the account that acts may see: the one place where it is decided. Everything that is
 * shown is read from what this lets through.
 */
@Component
public class Sights {
  private static final int KEPT = 64;

  /** What one account saw of one state of the data; a state has a ledger for each reading. */
  private record Narrowed(Ledger whole, Ledger seen) {}

  private record Key(String sight, int ledger) {}

  private final Map<Key, Narrowed> recent =
      new LinkedHashMap<>(KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Narrowed> eldest) {
          return size() > KEPT;
        }
      };

  /** A ledger with what may be seen of it. */
  public Ledger narrow(Ledger whole) {
    Account account = Acting.account();
    if (account.role().seesEverything()) {
      return whole;
    }
    synchronized (recent) {
      Key key = new Key(account.sightKey(), System.identityHashCode(whole));
      Narrowed had = recent.get(key);
      if (had == null || had.whole != whole) {
        had = new Narrowed(whole, narrow(whole, account));
        recent.put(key, had);
      }
      return had.seen;
    }
  }

  private static Ledger narrow(Ledger whole, Account account) {
    if (account.member() == null) {
      return Ledger.empty();
    }
    return account.role() == Role.MANAGER
        ? Seen.byManager(whole, account.member())
        : Seen.byRep(whole, account.member());
  }

  /** Whether everything may be seen. */
  public boolean isEverything() {
    return Acting.account().role().seesEverything();
  }

  /** Whether a rep's figures and pay of a month may be seen. */
  public boolean seesRep(Members members, int rep, YearMonth month) {
    Account account = Acting.account();
    if (account.role().seesEverything()) {
      return true;
    }
    if (account.member() == null) {
      return false;
    }
    return account.role() == Role.MANAGER
        ? Seen.isOwnRep(members, account.member(), rep, Months.number(month))
        : Seen.isRep(members, account.member(), rep);
  }

  /** Whether a note on a member and month may be seen: of own reps, and of a manager's regions. */
  public boolean seesNote(Members members, int member, YearMonth month) {
    Account account = Acting.account();
    if (account.role().seesEverything()) {
      return true;
    }
    if (members.isKnown(Axis.REP, member)) {
      return seesRep(members, member, month);
    }
    return account.role() == Role.MANAGER
        && account.member() != null
        && Seen.isOwnRegion(members, account.member(), member, Months.number(month));
  }
}
