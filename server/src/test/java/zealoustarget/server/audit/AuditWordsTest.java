package zealoustarget.server.audit;

import static org.assertj.core.api.Assertions.assertThat;

import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What an entry says is words, of a changed rule only what changed. */
class AuditWordsTest {
  private static Audit.Entry words(@Nullable String before, @Nullable String after) {
    return AuditWords.of(
        new Audit.Entry(
            1, "2026-11-28T10:00:00Z", "a", "rules changed", "rules", before, after, "h"));
  }

  @Test
  void changedRule_saysOnlyWhatChanged_underItsName() {
    Audit.Entry said =
        words(
            "{\"name\":\"Field\",\"since\":\"2026-07\",\"bonus\":\"900.00\",\"window\":\"month\"}",
            "{\"name\":\"Field\",\"since\":\"2026-07\",\"bonus\":\"950.00\",\"window\":\"month\"}");
    assertThat(said.before()).isEqualTo("name Field, effective from 2026-07: bonus 900.00");
    assertThat(said.after()).isEqualTo("name Field, effective from 2026-07: bonus 950.00");
  }

  @Test
  void newRules_areToldWhole_aLineEach_sharesAsPercents() {
    Audit.Entry said =
        words(
            null,
            "{\"name\":\"Field\",\"floor\":{\"percent\":\"0.8\"},"
                + "\"steps\":[{\"from\":\"0\",\"rate\":\"0.03\"},{\"from\":\"1\",\"rate\":\"0.05\"}]}\n"
                + "{\"rep\":\"R01\",\"plan\":\"Field\",\"from\":\"2026-07\"}");
    assertThat(said.before()).isNull();
    assertThat(said.after())
        .isEqualTo(
            "name Field; threshold (floor) percent 80 %;"
                + " tiers from 0 % rate 3 %, from 100 % rate 5 %\n"
                + "rep R01; plan Field; from 2026-07");
  }

  @Test
  void settings_thatHaveNoName_areComparedWhole() {
    Audit.Entry said =
        words("{\"startMonth\":7,\"zone\":\"a\"}", "{\"startMonth\":1,\"zone\":\"a\"}");
    assertThat(said.before()).isEqualTo("fiscal year starts in month 7");
    assertThat(said.after()).isEqualTo("fiscal year starts in month 1");
  }

  @ParameterizedTest
  @ValueSource(strings = {"150 lines", "{not json", "[1]", "{\"a\":1}\n{broken", "null"})
  void textThatIsNoRules_staysAsItIs(String text) {
    assertThat(words(text, null).before()).isEqualTo(text);
  }
}
