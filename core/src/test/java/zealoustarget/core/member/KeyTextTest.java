package zealoustarget.core.member;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class KeyTextTest {
  @ParameterizedTest
  @CsvSource({
    "K1, k1, true",
    "' North  East ', north east, true",
    "'North\u00a0East', North East, true",
    "Zoe\u0308, Zo\u00eb, true",
    "\u212a1, K1, true",
    "RI7, R\u01317, false",
    "R\u01307, RI7, false",
    "STRASSE, stra\u00dfe, false",
    "K1, K2, false",
  })
  void keys_areTheSameButForBlanksCaseAndComposition(String one, String other, boolean isSame) {
    assertThat(KeyText.isSame(one, other)).isEqualTo(isSame);
    assertThat(KeyText.fold(one).equals(KeyText.fold(other))).isEqualTo(isSame);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "K\u200b1", "\u202eK1", "K\u00ad1", "K\u00001", "K1\ufeff", "K\t1", "K\u20681\u2069",
        "\ud800K", "K\ue0001", "K\u34f1\u034f", "\u3164", "K\ufe0f1", "a\u2028b", "K\u007f"
      })
  void charactersThatNobodySees_areFound(String text) {
    assertThat(KeyText.findUnseen(text)).isNotEqualTo(KeyText.NONE);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "K1",
        "Zo\u00eb O'Hara-Lund",
        "\u5317\u6771",
        "\u05d0\u05d1",
        "\u0e01\u0e34",
        "NV-10/2 50 %",
        "\ud83d\ude80"
      })
  void whatIsSeen_isFine(String text) {
    assertThat(KeyText.findUnseen(text)).isEqualTo(KeyText.NONE);
    assertThat(KeyText.normal(" " + text + " ")).isEqualTo(text);
  }

  @Test
  void firstOne_isSaid() {
    assertThat(KeyText.findUnseen("a\u200bb\u202e")).isEqualTo(0x200b);
  }
}
