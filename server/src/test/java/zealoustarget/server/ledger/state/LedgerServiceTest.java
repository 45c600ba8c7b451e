package zealoustarget.server.ledger.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.AdditionalAnswers.returnsFirstArg;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.time.YearMonth;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.server.access.authorization.RowAccess;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.SealedLoad;
import zealoustarget.server.ledger.storage.RowStore;
import zealoustarget.server.masterdata.MemberStore;
import zealoustarget.server.platform.state.DataState;

/** Whatever can fail has failed before a change is in force. */
class LedgerServiceTest {
  private static final int OCTOBER = Months.number(YearMonth.of(2026, 10));

  private final RowStore rows = mock();
  private final RowAccess rowAccess = mock();
  private final LedgerService ledgers =
      new LedgerService(rows, mock(MemberStore.class), rowAccess, new DataState());

  @BeforeEach
  void seeEverything() {
    when(rowAccess.narrow(any())).thenAnswer(returnsFirstArg());
    when(rowAccess.narrowOnce(any())).thenAnswer(returnsFirstArg());
  }

  private static PostedLoad load(int id, PostMode mode) {
    return new PostedLoad(
        id, id, LoadKind.ACTUALS, mode, null, null, List.of("revenue"), null, null, null, null);
  }

  private static LoadedRows rows(PostedLoad load, long amount) {
    ActualBlock block =
        new ActualBlock.Builder(load.id(), List.of("revenue"))
            .add(2, OCTOBER, -1, -1, -1, amount)
            .build();
    return new LoadedRows(load, block.byMonth(), List.of(), List.of(), List.of(), null, "digest");
  }

  private long posted() {
    return ledgers.posted().blocks().stream().mapToLong(ActualBlock::size).sum();
  }

  private static Seal sealOf(SealedLoad... loads) {
    return new Seal(
        1,
        Months.of(OCTOBER),
        Instant.EPOCH,
        "Ada",
        List.of(loads),
        new byte[0],
        "",
        3,
        "",
        null,
        null,
        null);
  }

  @Test
  void preparedState_isPutInForce_whateverFailsMeanwhile() {
    PostedLoad load = load(1, PostMode.ADD);
    when(rows.read(any())).thenReturn(rows(load, 5));
    LedgerService.Prepared prepared = ledgers.with(load);
    when(rows.read(any())).thenThrow(new IllegalStateException("the disk is gone"));
    assertThat(posted()).isZero();
    ledgers.apply(prepared);
    assertThat(posted()).isEqualTo(1);
  }

  @Test
  void reversalUnderASeal_hasReadWhatTheSealNeeds_beforeItCounts() {
    PostedLoad load = load(1, PostMode.ADD);
    when(rows.read(any())).thenReturn(rows(load, 5));
    ledgers.apply(ledgers.with(load));
    ledgers.apply(ledgers.withSeals(List.of(sealOf(new SealedLoad(1, 1, PostMode.ADD)))));
    LedgerService.Prepared prepared = ledgers.without(1);
    when(rows.read(any())).thenThrow(new IllegalStateException("the disk is gone"));
    ledgers.apply(prepared);
    assertThat(posted()).isZero();
    assertThat(ledgers.readings(prepared).months()).containsExactly(OCTOBER);
  }
}
