package zealoustarget.server.views;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.Refusal;
import zealoustarget.core.member.KeyText;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.CurrentAccount;

/** Keeps views by name: those that analysts and approvers share, and everybody else's own. */
@Component
public class ViewStore {
  private static final int LONGEST_NAME = 80;
  private static final int LONGEST_ADDRESS = 4_000;
  private static final int MOST_VIEWS = 200;
  private static final int SHARED = 0;

  /**
   * A view.
   *
   * @param address a path of the application with its query, such as "/standing?axis=region"
   */
  public record SavedView(String name, String address) {}

  private final SavedViewRepository views;
  private final Clock clock;

  ViewStore(SavedViewRepository views, Clock clock) {
    this.views = views;
    this.clock = clock;
  }

  /** The views of the account that acts, by name. */
  @Transactional(readOnly = true)
  public List<SavedView> all() {
    return views.findByOwnerIdOrderByFoldedName(owner()).stream()
        .map(view -> new SavedView(view.name, view.address))
        .toList();
  }

  /**
   * Saves a view, over the one of that name.
   *
   * @throws Refusal view-invalid
   */
  @Transactional
  public void save(String name, String address) {
    String stripped = name.strip();
    if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
      throw invalid(ViewsWords.viewsNameHasToCharacters(LONGEST_NAME));
    }
    if (!address.matches("/[a-z]*(\\?[^\\s#]*)?") || address.length() > LONGEST_ADDRESS) {
      throw invalid(ViewsWords.ADDRESS_IS_FOREIGN);
    }
    SavedViewEntity known = find(stripped).orElse(null);
    if (known == null && all().size() >= MOST_VIEWS) {
      throw invalid(ViewsWords.tooManyViews(MOST_VIEWS));
    }
    SavedViewEntity view = known == null ? new SavedViewEntity() : known;
    view.ownerId = owner();
    view.name = stripped;
    view.foldedName = KeyText.fold(stripped);
    view.address = address;
    view.savedAt = clock.instant();
    views.save(view);
  }

  /** Deletes a view; one that is not there is no fault. */
  @Transactional
  public void delete(String name) {
    find(name).ifPresent(views::delete);
  }

  /** Lets everybody's views name a goal set as it is called now. */
  @Transactional
  public void renameGoalSet(String from, String to) {
    for (SavedViewEntity view : views.findAll()) {
      String address = renamed(view.address, from, to);
      if (!address.equals(view.address) && address.length() <= LONGEST_ADDRESS) {
        view.address = address;
        views.save(view);
      }
    }
  }

  /** An address whose parameters against, beside and set name another goal set. */
  static String renamed(String address, String from, String to) {
    int query = address.indexOf('?');
    return query < 0
        ? address
        : address.substring(0, query + 1)
            + Stream.of(address.substring(query + 1).split("&", -1))
                .map(part -> renamedPart(part, from, to))
                .collect(Collectors.joining("&"));
  }

  private static String renamedPart(String part, String from, String to) {
    int equals = part.indexOf('=');
    if (equals < 0) {
      return part;
    }
    String name = part.substring(0, equals);
    String before = name.equals("against") || name.equals("beside") ? "set:" : "";
    boolean isOfSet = !before.isEmpty() || name.equals("set");
    return isOfSet && decoded(part.substring(equals + 1)).equals(before + from)
        ? name + "=" + URLEncoder.encode(before + to, StandardCharsets.UTF_8)
        : part;
  }

  private static String decoded(String value) {
    try {
      return URLDecoder.decode(value, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException malformed) {
      return value;
    }
  }

  private Optional<SavedViewEntity> find(String name) {
    return views.findByOwnerIdAndFoldedName(owner(), KeyText.fold(name));
  }

  private static int owner() {
    Account account = CurrentAccount.account();
    return account.role().seesEverything() ? SHARED : account.id();
  }

  private static Refusal invalid(String words) {
    return Refusal.of("view-invalid", ViewsWords.nothingWasSaved(words));
  }
}
