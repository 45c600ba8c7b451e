package zealoustarget.server.access.authorization;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.YearMonth;
import java.util.Set;
import org.springframework.stereotype.Component;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.visibility.LedgerVisibility;
import zealoustarget.core.member.Axis;
import zealoustarget.core.outlook.DealSnapshot;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;

/**
 * Which rows the account that acts may see: the one place where it is decided. Everything that is
 * shown is read from what this lets through.
 */
@Component
public class RowAccess {
  private static final long MOST_BYTES = 128L << 20;
  private static final int BYTES_OF_LINE = 64;
  private static final int BYTES_BESIDE = 20_000;

  /** What an account may see of a ledger, which is told by what it is and not by what is in it. */
  private record Key(String sight, Ledger whole) {
    @Override
    public boolean equals(Object other) {
      return other instanceof Key key && key.whole == whole && key.sight.equals(sight);
    }

    @Override
    public int hashCode() {
      return 31 * sight.hashCode() + System.identityHashCode(whole);
    }
  }

  private final Cache<Key, Ledger> recent =
      Caffeine.newBuilder()
          .maximumWeight(MOST_BYTES)
          .weigher(RowAccess::bytes)
          .expireAfterAccess(Duration.ofMinutes(30)) // lets go of ledgers that count no more
          .executor(Runnable::run)
          .build();

  private static int bytes(Key key, Ledger seen) {
    long lines = seen.blocks().stream().mapToLong(ActualBlock::size).sum();
    return (int) Math.min(Integer.MAX_VALUE, BYTES_BESIDE + BYTES_OF_LINE * lines);
  }

  /** A ledger in force with what may be seen of it; made once for all who see the same. */
  public Ledger narrow(Ledger whole) {
    Account account = CurrentAccount.account();
    return account.role().seesEverything()
        ? whole
        : recent.get(new Key(account.sightKey(), whole), key -> narrow(whole, account));
  }

  /** The same of a ledger that is only looked ahead on, and not kept. */
  public Ledger narrowOnce(Ledger whole) {
    Account account = CurrentAccount.account();
    return account.role().seesEverything() ? whole : narrow(whole, account);
  }

  /** What is kept, in bytes as they are counted against the bound. */
  long bytesKept() {
    recent.cleanUp();
    return recent.policy().eviction().orElseThrow().weightedSize().orElseThrow();
  }

  /** Drops what was seen of ledgers that are in force no more. */
  public void forgetAllBut(Set<Ledger> inForce) {
    recent.asMap().keySet().removeIf(key -> !inForce.contains(key.whole));
  }

  private static Ledger narrow(Ledger whole, Account account) {
    if (account.member() == null) {
      return Ledger.empty();
    }
    return account.role() == Role.MANAGER
        ? LedgerVisibility.byManager(whole, account.member())
        : LedgerVisibility.byRep(whole, account.member());
  }

  /** Whether everything may be seen. */
  public boolean isEverything() {
    return CurrentAccount.account().role().seesEverything();
  }

  /** Whether a rep's figures and pay of a month may be seen. */
  public boolean seesRep(Members members, int rep, YearMonth month) {
    return dealSight(members).sees(rep, Months.number(month));
  }

  /** Which deals may be seen: those of the reps whose pay of their month may be. */
  public DealSnapshot.Sight dealSight(Members members) {
    Account account = CurrentAccount.account();
    if (account.role().seesEverything()) {
      return (rep, month) -> true;
    }
    String key = account.member();
    if (key == null) {
      return (rep, month) -> false;
    }
    return account.role() == Role.MANAGER
        ? (rep, month) -> LedgerVisibility.isOwnRep(members, key, rep, month)
        : (rep, month) -> LedgerVisibility.isRep(members, key, rep);
  }

  /** Whether a note on a member and month may be seen: of own reps, and of a manager's regions. */
  public boolean seesNote(Members members, int member, YearMonth month) {
    Account account = CurrentAccount.account();
    if (account.role().seesEverything()) {
      return true;
    }
    if (members.isKnown(Axis.REP, member)) {
      return seesRep(members, member, month);
    }
    return account.role() == Role.MANAGER
        && account.member() != null
        && LedgerVisibility.isOwnRegion(members, account.member(), member, Months.number(month));
  }
}
