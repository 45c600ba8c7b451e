package zealoustarget.server.platform.http;

import java.util.Map;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.server.platform.state.Readiness;

/** Says whether requests are served. */
@RestController
class HealthController {
  private final Readiness readiness;

  HealthController(Readiness readiness) {
    this.readiness = readiness;
  }

  /** {@code GET /api/v1/health}: 200 up, or 503 while the first data are being loaded. */
  @GetMapping("/api/v1/health")
  ResponseEntity<Map<String, String>> health() {
    return readiness.isReady()
        ? ResponseEntity.ok(Map.of("status", "up"))
        : ResponseEntity.status(503).body(Map.of("status", "starting"));
  }
}
