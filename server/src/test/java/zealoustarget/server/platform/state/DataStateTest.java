package zealoustarget.server.platform.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class DataStateTest {
  private static final DataState.Part<String> RULES = new DataState.Part<>();
  private static final DataState.Part<Integer> LEDGER = new DataState.Part<>();

  private final DataState state = new DataState();

  @AfterEach
  void release() {
    state.release();
  }

  private void swapElsewhere(DataState.Next next) {
    CompletableFuture.runAsync(() -> state.swap(next)).join();
  }

  @Test
  void partsThatAChangeDoesNotName_stay_andTheNumberGrows() {
    state.swap(new DataState.Next().with(RULES, "a").with(LEDGER, 1));
    long number = state.number();
    state.swap(new DataState.Next().with(LEDGER, 2));
    assertThat(state.get(RULES)).isEqualTo("a");
    assertThat(state.get(LEDGER)).isEqualTo(2);
    assertThat(state.number()).isEqualTo(number + 1);
  }

  @Test
  void whoeverHoldsAState_readsIt_untilItIsReleased() {
    state.swap(new DataState.Next().with(RULES, "a").with(LEDGER, 1));
    state.hold();
    long number = state.number();
    swapElsewhere(new DataState.Next().with(RULES, "b").with(LEDGER, 2));
    assertThat(state.get(RULES) + state.get(LEDGER)).isEqualTo("a1");
    assertThat(state.number()).isEqualTo(number);
    assertThat(state.latestNumber()).isEqualTo(number + 1);
    state.release();
    assertThat(state.get(RULES) + state.get(LEDGER)).isEqualTo("b2");
  }

  @Test
  void whoeverChangesIt_goesOnWithTheNext_andBeginsWithTheLatest() {
    state.swap(new DataState.Next().with(LEDGER, 1));
    state.hold();
    swapElsewhere(new DataState.Next().with(LEDGER, 5));
    int seen =
        state.getInTurn(
            () -> {
              state.swap(new DataState.Next().with(LEDGER, state.get(LEDGER) + 1));
              return state.get(LEDGER);
            });
    assertThat(seen).isEqualTo(6);
    assertThat(state.get(LEDGER)).isEqualTo(6);
  }

  @Test
  void whoeverWritesAnAnswerForAnother_readsTheSame() {
    state.swap(new DataState.Next().with(RULES, "a"));
    state.hold();
    DataState.Held handedOn = state.held();
    swapElsewhere(new DataState.Next().with(RULES, "b"));
    String read =
        CompletableFuture.supplyAsync(
                () -> {
                  state.hold(handedOn);
                  try {
                    return state.get(RULES);
                  } finally {
                    state.release();
                  }
                })
            .join();
    assertThat(read).isEqualTo("a");
  }
}
