package zealoustarget.server.record;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether the record is whole. */
@RestController
@RequestMapping("/api/v1/record")
class RecordController {
  private final RecordService record;

  RecordController(RecordService record) {
    this.record = record;
  }

  /** Looks at trail and seals now, and says what was found in the rows of loads. */
  @GetMapping
  RecordService.RecordAnswer verify() {
    return record.verify();
  }
}
