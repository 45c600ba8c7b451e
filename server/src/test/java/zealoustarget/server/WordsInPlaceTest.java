package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What a person reads stands in one class a feature, so that it is read and changed together. */
class WordsInPlaceTest {
  private static final Path SOURCES = Path.of("src/main/java");
  private static final Pattern PLACES = Pattern.compile("\\w*(Words|Texts?)\\.java|Problem\\.java");

  private static final Pattern SENTENCE =
      Pattern.compile("[A-Za-z’'\",.;)][ ]+[A-Za-z\"(]|: [A-Za-z(]|^ [a-z]{2,}|[a-z]{2,},? $");
  private static final Pattern QUERY =
      Pattern.compile(
          "(?s)[\"\\s]*(select|update|delete|insert|from|where|and |order by|create|drop|alter|merge|set |backup |"
              + "shutdown |checkpoint |comment on |\\(id, |\\) values).*");

  /** Files whose texts are for programs: policies, tables, sample files. */
  private static final Set<String> FOR_PROGRAMS =
      Set.of(
          "SecurityConfig.java",
          "FileTemplates.java",
          "CompanyTables.java",
          "Seals.java",
          "Identities.java");

  private static final Set<String> LITERALS_FOR_PROGRAMS =
      Set.of(
          "Basic ",
          "Bearer ",
          "Page realm=\"Zealous Target\"",
          "Basic realm=\"Zealous Target\"",
          "first account",
          "pair ",
          "address ",
          "name ",
          ", version ",
          " values (",
          "\", \"",
          "Accept-Encoding, Authorization, Cookie",
          "private, no-cache",
          "rep_id, name, region_id, manager_id, from_month, until_month, mail",
          "product_id, name, line_id",
          "text/html; charset=utf-8",
          "applied migration not resolved locally",
          "No space left",
          "File too large",
          "Disk quota",
          "Read-only file system");

  private static final Set<String> TAKE_NO_WORDS =
      Set.of("ofPattern", "compile", "requireNonNull", "replaceAll", "split", "matches", "state");

  /** Failures that are faults of ours: a log's reader sees them, nobody at a screen. */
  private static final Set<String> FAULTS_OF_OURS =
      Set.of("IllegalStateException", "AssertionError", "UncheckedIOException", "Thread");

  @Test
  void sentences_standInTheWordsOfTheirFeature() throws IOException {
    List<String> astray = new ArrayList<>();
    for (CompilationUnitTree unit : sources()) {
      String file = Path.of(unit.getSourceFile().toUri()).getFileName().toString();
      if (!PLACES.matcher(file).matches() && !FOR_PROGRAMS.contains(file)) {
        new Sentences(file, astray).scan(new TreePath(unit), null);
      }
    }

    assertThat(astray).isEmpty();
  }

  private static Iterable<? extends CompilationUnitTree> sources() throws IOException {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null);
    try (Stream<Path> all = Files.walk(SOURCES)) {
      List<Path> sources = all.filter(path -> path.toString().endsWith(".java")).toList();
      assertThat(sources).hasSizeGreaterThan(300);
      JavacTask task =
          (JavacTask)
              compiler.getTask(
                  null,
                  files,
                  null,
                  List.of("-proc:none"),
                  null,
                  files.getJavaFileObjectsFromPaths(sources));
      return task.parse();
    }
  }

  private static final class Sentences extends TreePathScanner<@Nullable Void, @Nullable Void> {
    private final String file;
    private final List<String> astray;

    Sentences(String file, List<String> astray) {
      this.file = file;
      this.astray = astray;
    }

    @Override
    public @Nullable Void visitAnnotation(AnnotationTree annotation, @Nullable Void nothing) {
      return null;
    }

    @Override
    public @Nullable Void visitLiteral(LiteralTree literal, @Nullable Void nothing) {
      if (literal.getValue() instanceof String text
          && SENTENCE.matcher(text).find()
          && !QUERY.matcher(text).matches()
          && !text.startsWith("<!")
          && !LITERALS_FOR_PROGRAMS.contains(text)
          && !isForPrograms(getCurrentPath())) {
        astray.add(file + ": \"" + text + "\"");
      }
      return null;
    }

    private static boolean isForPrograms(TreePath path) {
      for (TreePath at = path.getParentPath(); at != null; at = at.getParentPath()) {
        Tree tree = at.getLeaf();
        if (tree instanceof MethodInvocationTree call) {
          String method = call.getMethodSelect().toString();
          if (method.contains("LOG.") || TAKE_NO_WORDS.contains(name(call))) {
            return true;
          }
        }
        if (tree instanceof NewClassTree made
            && (FAULTS_OF_OURS.contains(made.getIdentifier().toString()) || isConstant(at))) {
          return true;
        }
        if (tree instanceof StatementTree && !(tree instanceof ClassTree)) {
          return false;
        }
      }
      return false;
    }

    private static String name(MethodInvocationTree call) {
      return call.getMethodSelect() instanceof MemberSelectTree select
          ? select.getIdentifier().toString()
          : call.getMethodSelect().toString();
    }

    /** Whether it makes the constant of an enum, which names what it stands for. */
    private static boolean isConstant(TreePath made) {
      return made.getParentPath().getLeaf() instanceof VariableTree
          && made.getParentPath().getParentPath().getLeaf() instanceof ClassTree type
          && type.getKind() == Tree.Kind.ENUM;
    }
  }
}
