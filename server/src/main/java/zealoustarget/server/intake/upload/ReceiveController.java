package zealoustarget.server.intake.upload;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.posting.LoadAnswer;
import zealoustarget.server.intake.posting.LoadAnswers;
import zealoustarget.server.intake.posting.LoadJobs;
import zealoustarget.server.intake.posting.Progress;
import zealoustarget.server.platform.storage.Space;
import zealoustarget.server.platform.storage.TemporaryFiles;

/** Files that arrive by hand: received at once, recognised, read on beside the request. */
@RestController
@RequestMapping("/api/v1/loads")
class ReceiveController {

  private final StagingService staging;
  private final LoadStore store;
  private final LoadJobs jobs;
  private final LoadAnswers answers;
  private final Space space;
  private final TemporaryFiles temporary;
  private final EventStreams streams;

  ReceiveController(
      StagingService staging,
      LoadStore store,
      LoadJobs jobs,
      LoadAnswers answers,
      Space space,
      TemporaryFiles temporary,
      EventStreams streams) {
    this.streams = streams;
    this.temporary = temporary;
    this.space = space;
    this.staging = staging;
    this.store = store;
    this.jobs = jobs;
    this.answers = answers;
  }

  /**
   * Takes a file in, whatever it brings: 202 with a load that is staged, or received with a
   * problem, or still being read; 422 where it is no file that can be loaded.
   */
  @PostMapping(path = "/receive", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.ACCEPTED)
  LoadAnswer receive(@RequestParam MultipartFile file) throws IOException {
    space.checkFor(file.getSize());
    Path copy = temporary.create("received", ".tmp");
    Upload upload = Uploads.copy(file.getInputStream(), file.getOriginalFilename(), copy);
    int id =
        staging.receive(
            upload, Files.size(copy), LoadRequest.recognise(), null, () -> Uploads.delete(copy));
    return answers.whole(id);
  }

  /** Reads a received file again, such as one whose reading was stopped. */
  @PostMapping("/{id}/read")
  @ResponseStatus(HttpStatus.ACCEPTED)
  LoadAnswer read(@PathVariable int id) {
    staging.readAgain(id);
    return answers.whole(id);
  }

  /** Stops work on a load; what was staged before stays. */
  @PostMapping("/{id}/cancel")
  LoadAnswer cancel(@PathVariable int id) {
    store.get(id);
    jobs.find(id).ifPresent(Progress::cancel);
    return answers.whole(id);
  }

  /** Server-sent events: {@code progress} while work on a load goes on, then {@code done}. */
  @GetMapping(path = "/{id}/progress", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter progress(@PathVariable int id) {
    store.get(id);
    return streams.open(emitter -> send(id, emitter));
  }

  /** Sends how far work on a load is; false once it has ended. */
  private boolean send(int id, SseEmitter emitter) throws IOException {
    var running = jobs.find(id);
    if (running.isEmpty()) {
      emitter.send(SseEmitter.event().name("done").data("{}", MediaType.APPLICATION_JSON));
      return false;
    }
    emitter.send(
        SseEmitter.event()
            .name("progress")
            .data(LoadAnswer.ProgressAnswer.of(running.get()), MediaType.APPLICATION_JSON));
    return true;
  }
}
