package zealoustarget.server.seed;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The made-up company, for an empty start. */
@RestController
@RequestMapping("/api/v1/demo")
class DemoController {
  private final DemoOffer offer;

  DemoController(DemoOffer offer) {
    this.offer = offer;
  }

  record DemoAnswer(boolean isOffered) {}

  /** Whether it can be loaded. */
  @GetMapping
  DemoAnswer offered() {
    return new DemoAnswer(offer.isOffered());
  }

  /** Loads it; takes some seconds. 409 {@code demo-not-offered}. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void load() {
    offer.load();
  }
}
