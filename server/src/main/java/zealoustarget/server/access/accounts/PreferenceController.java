package zealoustarget.server.access.accounts;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a person sets for the own account: the address for mail, and the keys of the page. */
@RestController
@RequestMapping("/api/v1/session/preferences")
class PreferenceController {
  private final Preferences preferences;

  PreferenceController(Preferences preferences) {
    this.preferences = preferences;
  }

  record PreferenceBody(
      @Nullable String mail, @Nullable Boolean keysOn, @Nullable Map<String, String> keys) {}

  @GetMapping
  Preferences.Settings own() {
    return preferences.of(CurrentAccount.account().id());
  }

  /** Keeps them; what is absent is as usual again. 400 {@code account-invalid}. */
  @PutMapping
  Preferences.Settings keep(@RequestBody PreferenceBody body) {
    return preferences.keep(
        CurrentAccount.account(),
        new Preferences.Settings(
            body.mail(),
            !Boolean.FALSE.equals(body.keysOn()),
            body.keys() == null ? Map.of() : body.keys()));
  }
}
