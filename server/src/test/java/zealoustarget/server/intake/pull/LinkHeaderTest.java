package zealoustarget.server.intake.pull;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LinkHeaderTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "</orders?page=2>; rel=next",
        "</orders?page=2>;rel=\"next\"",
        "</orders?page=2>; title=\"a, b; c\"; rel=\"last next\"",
        "</first>; rel=\"first\", </orders?page=2>; REL=Next",
        "</a,b>; rel=prev , </orders?page=2> ; media=x ; rel = \"next\"",
        "</x>; title=\"a \\\" quote; rel=next\"; rel=up, </orders?page=2>; rel=next",
        "</first>; rel=up; rel=next, </orders?page=2>; rel=next"
      })
  void target_isThatOfTheRelation(String header) {
    assertThat(LinkHeader.target(List.of(header), "next")).contains("/orders?page=2");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "</orders>; rel=\"nextish\"",
        "</orders>; title=\"rel=next\"",
        "no link; rel=next",
        "</orders",
        "</orders>; rel=\"next-month",
        "</orders>; rel",
        ", ,"
      })
  void whatHasNoSuchRelation_hasNoTarget(String header) {
    assertThat(LinkHeader.target(List.of(header), "next")).isEmpty();
  }

  @Test
  void severalHeaders_areLookedThroughInOrder() {
    assertThat(LinkHeader.target(List.of("<a>; rel=up", "<b>; rel=next", "<c>; rel=next"), "next"))
        .contains("b");
  }
}
