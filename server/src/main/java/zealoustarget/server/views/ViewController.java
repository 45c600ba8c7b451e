package zealoustarget.server.views;

import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Views that were saved by name; the address of each reproduces it. */
@RestController
@RequestMapping("/api/v1/views")
class ViewController {
  private final ViewStore views;

  ViewController(ViewStore views) {
    this.views = views;
  }

  /** What to save under a name. */
  record ViewBody(String address) {}

  /** All views by name. */
  @GetMapping
  List<ViewStore.SavedView> all() {
    return views.all();
  }

  /** Saves a view, over the one of that name. 400 {@code view-invalid}. */
  @PutMapping("/{name}")
  List<ViewStore.SavedView> save(@PathVariable String name, @RequestBody ViewBody body) {
    views.save(name, body.address() == null ? "" : body.address());
    return views.all();
  }

  /** Deletes a view; one that is not there is no fault. */
  @DeleteMapping("/{name}")
  List<ViewStore.SavedView> delete(@PathVariable String name) {
    views.delete(name);
    return views.all();
  }
}
