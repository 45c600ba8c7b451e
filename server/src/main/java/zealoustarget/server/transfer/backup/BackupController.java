package zealoustarget.server.transfer.backup;

import java.nio.file.Path;
import java.util.List;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zealoustarget.server.platform.http.Downloads;

/** Backups; for administrators. */
@RestController
@RequestMapping("/api/v1/backups")
class BackupController {
  private final BackupService backups;
  private final RestoredData restored;

  BackupController(BackupService backups, RestoredData restored) {
    this.backups = backups;
    this.restored = restored;
  }

  /** The backups that are kept, latest first. */
  @GetMapping
  List<BackupService.Kept> all() {
    return backups.all();
  }

  /** Makes a backup now and reads it back. 500 {@code backup-failed}. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  BackupService.Kept make() {
    return backups.make();
  }

  /**
   * Takes data that were restored for good, where that takes two persons; for administrators and
   * approvers. 409 {@code nothing-restored}.
   */
  @PostMapping("/restored")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void confirm() {
    restored.confirm();
  }

  /** A backup as a file. 404 {@code backup-unknown}. */
  @GetMapping("/{name}")
  ResponseEntity<Resource> file(@PathVariable String name) {
    Path file = backups.file(name);
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType("application/zip"))
        .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.disposition(name))
        .body(new FileSystemResource(file));
  }
}
