package zealoustarget.server.masterdata;

import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Names that were accepted for members. */
@RestController
@RequestMapping("/api/v1/names")
class NameController {
  private final AliasStore aliases;

  NameController(AliasStore aliases) {
    this.aliases = aliases;
  }

  /** All of them, with who accepted each when. */
  @GetMapping
  List<AliasStore.Alias> all() {
    return aliases.all();
  }

  /** Takes one back. 404 {@code name-unknown}. */
  @DeleteMapping
  List<AliasStore.Alias> revoke(@RequestParam String axis, @RequestParam String text) {
    aliases.revoke(GoalSets.axis(axis), text);
    return aliases.all();
  }
}
