package zealoustarget.core.intake.values;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zealoustarget.core.member.Member;

class NameMatchTest {
  private static final List<Member> REPS =
      List.of(
          new Member(1, "R01", "Dario Venn"),
          new Member(2, "R02", "Mina Castellan"),
          new Member(3, "R03", "Kaia Thorsby"),
          new Member(4, "R04", "Dora Venning"),
          new Member(5, "PX-4711", "Søren Ølgaard"));

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "nobody",
      value = {
        "Dario Ven       | R01 | a letter missing",
        "Venn, Dario     | R01 | surname first",
        "D. Venn         | R01 | an initial",
        "D. Ven          | R01 | an initial and a letter missing",
        "DARIO  VENN     | R01 | case and blanks",
        "Castelan, M.    | R02 | all of it",
        "Mina Castellna  | R02 | two letters swapped",
        "Thorsby         | R03 | the surname alone",
        "Soren Olgaard   | PX-4711 | without marks",
        "PX-4171         | PX-4711 | digits of a long key swapped",
        "Venn-Smith Lora | nobody | another first name",
        "D. V.           | nobody | nothing but initials",
        "Otto Brand      | nobody | somebody else",
        "''              | nobody | nothing"
      })
  void name_isProposedForWhoMayBeMeant(String text, String key, String why) {
    List<Member> near = NameMatch.near(text == null ? "" : text, REPS, 3);
    if (key == null) {
      assertThat(near).as(why).isEmpty();
    } else {
      assertThat(near).as(why).isNotEmpty();
      assertThat(near.get(0).key()).as(why).isEqualTo(key);
    }
  }
}
