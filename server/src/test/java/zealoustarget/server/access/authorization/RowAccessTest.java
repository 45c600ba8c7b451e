package zealoustarget.server.access.authorization;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.authentication.TestingAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.Role;

/** What accounts see is made once for each ledger in force, and kept within a bound. */
class RowAccessTest {
  private static final int REPS = 40;
  private static final int LINES = 120_000; // of each rep: some 8 MB

  private final RowAccess rowAccess = new RowAccess();

  @AfterEach
  void signOut() {
    SecurityContextHolder.clearContext();
  }

  private static Ledger ledger(int linesOfEach) {
    ActualBlock.Builder block = new ActualBlock.Builder(1, List.of("revenue"));
    int month = Months.number(YearMonth.of(2026, 10));
    for (int line = 0; line < linesOfEach * REPS; line++) {
      block.add(line, month, line % REPS, -1, -1, 5);
    }
    List<Member> reps =
        IntStream.range(0, REPS).mapToObj(id -> new Member(id, "R" + id, "R" + id)).toList();
    return new Ledger(
        new Members(Map.of(Axis.REP, reps), List.of(), Map.of()),
        List.of(block.build()),
        List.of());
  }

  private static void signIn(int rep) {
    Account account =
        new Account(rep + 1, "R" + rep, Role.REP, "R" + rep, false, false, false, 1, 1);
    SecurityContextHolder.getContext()
        .setAuthentication(new TestingAuthenticationToken(account, null));
  }

  @Test
  void ledgerInForce_isNarrowedOnce_andOneThatIsLookedAheadOn_isNotKept() {
    Ledger whole = ledger(10);
    signIn(3);
    Ledger seen = rowAccess.narrow(whole);
    assertThat(rowAccess.narrow(whole)).isSameAs(seen);
    assertThat(rowAccess.narrowOnce(ledger(10))).isNotSameAs(seen);
    signIn(4);
    assertThat(rowAccess.narrow(whole)).isNotSameAs(seen);
    signIn(3);
    assertThat(rowAccess.narrow(whole)).isSameAs(seen);
    rowAccess.forgetAllBut(Set.of());
    assertThat(rowAccess.narrow(whole)).isNotSameAs(seen);
  }

  @Test
  void whatIsKept_staysWithinItsBound() {
    Ledger whole = ledger(LINES);
    for (int rep = 0; rep < REPS; rep++) {
      signIn(rep);
      assertThat(rowAccess.narrow(whole).blocks().get(0).size()).isEqualTo(LINES);
    }
    assertThat(rowAccess.bytesKept()).isPositive().isLessThanOrEqualTo(128L << 20);
  }
}
