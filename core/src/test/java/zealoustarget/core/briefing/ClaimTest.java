package zealoustarget.core.briefing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.briefing.ClaimState.Reread;

class ClaimTest {
  @Test
  void claim_holdsExactlyWhileEveryQueryGivesTheSame() {
    assertThat(ClaimState.of(List.of())).isEqualTo(ClaimState.HOLDS);
    assertThat(ClaimState.of(List.of(new Reread("1.00", "1.00")))).isEqualTo(ClaimState.HOLDS);
    assertThat(ClaimState.of(List.of(new Reread("1.00", "1.01")))).isEqualTo(ClaimState.MOVED);
    assertThat(ClaimState.of(List.of(new Reread("1.00", null), new Reread("2", "3"))))
        .isEqualTo(ClaimState.VOID);
    Random random = new Random(20);
    for (int round = 0; round < 2_000; round++) {
      List<Reread> figures = new ArrayList<>();
      boolean isVoid = false;
      boolean isSame = true;
      for (int at = random.nextInt(5); at > 0; at--) {
        String then = Integer.toString(random.nextInt(3));
        String now = random.nextInt(6) == 0 ? null : Integer.toString(random.nextInt(3));
        figures.add(new Reread(then, now));
        isVoid |= now == null;
        isSame &= then.equals(now);
      }
      assertThat(ClaimState.of(figures))
          .isEqualTo(isVoid ? ClaimState.VOID : isSame ? ClaimState.HOLDS : ClaimState.MOVED);
    }
  }

  @Test
  void sentence_isReadWithItsFigures_andAMissingOneIsADash() {
    ClaimText text = ClaimText.of("October ended {pct} above plan: {actual} against {goal}.");
    assertThat(text.fields()).containsExactly("actual", "goal", "pct");
    assertThat(text.render(field -> field.equals("goal") ? null : "<" + field + ">"))
        .isEqualTo("October ended <pct> above plan: <actual> against –.");
    assertThat(ClaimText.of("No figure {Here} at all {}").fields()).isEmpty();
    String plain = "{a}{b} and {a}";
    assertThat(ClaimText.of(plain).render(field -> "{" + field + "}")).isEqualTo(plain);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Harbour Isles ended 6.2 % short | 6.2 %",
        "It sold 1 014 693.51 of it | 1 014 693.51",
        "It sold 112,600.74 of it | 112,600.74",
        "The file came 19 days late | 19",
        "On 27 November 2026 all was well | ''",
        "Three of 5 regions | ''",
        "Reps R15 and R16 | ''",
        "Up by −36.00 | −36.00",
        "100% of it | 100%",
      })
  void typedFigures_areFound_andYearsDaysAndKeysAreNone(String text, String typed) {
    assertThat(ClaimText.of(text).typed()).isEqualTo(typed.isEmpty() ? List.of() : List.of(typed));
    assertThat(ClaimText.of("{a} " + text).typed()).as("a field is none").hasSizeLessThan(2);
  }
}
