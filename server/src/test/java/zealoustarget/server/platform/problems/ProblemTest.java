package zealoustarget.server.platform.problems;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import zealoustarget.core.intake.FindingCode;

/** The list of codes for users is the list of codes in the program. */
class ProblemTest {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

  @Test
  void everyProblem_isInTheList_andNothingElse() throws IOException {
    assertThat(listed("## Problems", "## Findings"))
        .isEqualTo(words(Stream.of(Problem.values()).map(Problem::code)));
  }

  @Test
  void everyFinding_isInTheList_andNothingElse() throws IOException {
    assertThat(listed("## Findings", null))
        .isEqualTo(words(Stream.of(FindingCode.values()).map(FindingCode::word)));
  }

  @Test
  void everyRefusalInTheCode_hasAStatus() throws IOException {
    Pattern refusal =
        Pattern.compile(
            "Refusal\\.of\\(\\s*\"([a-z-]+)\"|missing\\([^\"]*\"[^\"]*\", \"([a-z-]+)\"");
    for (Path folder : List.of(ROOT.resolve("core/src/main"), ROOT.resolve("server/src/main"))) {
      try (Stream<Path> files = Files.walk(folder)) {
        for (Path file : files.filter(path -> path.toString().endsWith(".java")).toList()) {
          for (MatchResult found : refusal.matcher(Files.readString(file)).results().toList()) {
            String code = found.group(1) == null ? found.group(2) : found.group(1);
            assertThat(Problem.findByCode(code)).as("%s in %s", code, file).isPresent();
          }
        }
      }
    }
  }

  private static TreeSet<String> listed(String from, String to) throws IOException {
    String page = Files.readString(ROOT.resolve("docs/problems.md"));
    int end = to == null ? page.length() : page.indexOf(to);
    String part = page.substring(page.indexOf(from), end);
    return words(
        Pattern.compile("^\\| `([a-z-]+)`", Pattern.MULTILINE)
            .matcher(part)
            .results()
            .map(found -> found.group(1)));
  }

  private static TreeSet<String> words(Stream<String> words) {
    return words.collect(Collectors.toCollection(TreeSet::new));
  }
}
