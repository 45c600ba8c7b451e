package zealoustarget.server.intake.upload;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.concurrent.CancellationException;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.files.OriginalStore;
import zealoustarget.server.files.TableFile;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.checking.Checking;
import zealoustarget.server.intake.checking.Together;
import zealoustarget.server.intake.load.LoadEntity;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.posting.LoadJobs;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.posting.Progress;
import zealoustarget.server.intake.sheet.SheetStore;
import zealoustarget.server.ledger.storage.RowStore;

/**
 * Stages files: keeps the original and its lines, then checks the lines. A file that is received
 * but cannot be staged yet stays, with its problem, until it is told how it is to be read.
 */
@Service
public class StagingService {
  private static final Logger LOG = LoggerFactory.getLogger(StagingService.class);

  private final LoadStore store;
  private final FileImporter reading;
  private final Checking checking;
  private final Requests requests;
  private final SheetStore sheets;
  private final RowStore rows;
  private final OriginalStore originals;
  private final LoadJobs jobs;
  private final JsonMapper json;
  private final Clock clock;
  private final Audit audit;

  StagingService(
      LoadStore store,
      FileImporter reading,
      Checking checking,
      Requests requests,
      SheetStore sheets,
      RowStore rows,
      OriginalStore originals,
      LoadJobs jobs,
      JsonMapper json,
      Clock clock,
      Audit audit) {
    this.audit = audit;
    this.store = store;
    this.reading = reading;
    this.checking = checking;
    this.requests = requests;
    this.sheets = sheets;
    this.rows = rows;
    this.originals = originals;
    this.jobs = jobs;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Stages a file and returns when that is done.
   *
   * @return the load's number
   * @throws Refusal if the file cannot be read as one, or lacks what its kind needs;
   *     load-cancelled, load-overdue where reading is stopped; nothing is kept then
   */
  public int stage(Upload upload, LoadRequest request) {
    return stage(upload, request, null);
  }

  /** Stages the lines that another load held back. */
  public int stage(Upload upload, LoadRequest request, @Nullable Integer remainderOf) {
    TableFile file = reading.look(upload, request);
    LoadEntity load = begin(upload, request, remainderOf, null);
    Progress progress = Progress.unseen();
    try {
      jobs.runToEnd(
          load.id,
          progress,
          running -> read(load, upload, file, request, Together.NOTHING, running),
          () -> stopped(load.id, progress));
      return load.id;
    } catch (CancellationException cancelled) {
      remove(load.id);
      throw LoadJobs.stopped(progress);
    } catch (RuntimeException | Error failure) {
      remove(load.id);
      throw failure;
    }
  }

  /**
   * Takes a file in and goes on beside the request.
   *
   * @param source what it was pulled from, null for nothing
   * @param afterwards run when the file is not needed any more
   * @return the load's number
   * @throws Refusal if the file is none, before anything is kept
   */
  public int receive(
      Upload upload,
      long bytes,
      LoadRequest request,
      @Nullable String source,
      Runnable afterwards) {
    Progress progress = new Progress(bytes);
    LoadEntity load;
    TableFile file;
    try {
      file = reading.look(progress.watch(upload), request);
      load = begin(upload, request, null, source);
    } catch (RuntimeException refused) {
      afterwards.run();
      throw refused;
    }
    jobs.run(
        load.id,
        progress,
        running -> {
          try {
            keepingProblem(
                load.id,
                progress,
                () -> read(load, upload, file, request, Together.NOTHING, progress));
          } finally {
            afterwards.run();
          }
        },
        () -> stopped(load.id, progress));
    return load.id;
  }

  /** Reads a received load again, as it was told last. */
  void readAgain(int loadId) {
    LoadEntity load = staged(loadId);
    work(loadId, request(load), Together.NOTHING, true);
  }

  /**
   * Checks a load again with a changed request; another sheet is read anew.
   *
   * @throws Refusal load-not-staged, load-busy, and what checking refuses; the load stays as it was
   */
  public void change(int loadId, UnaryOperator<LoadRequest> change) {
    LoadEntity load = staged(loadId);
    LoadRequest before = request(load);
    LoadRequest after = change.apply(before);
    work(
        loadId,
        after,
        new Together(() -> {}, () -> say(load, before, after)),
        !after.sheet().equals(before.sheet()));
  }

  private void say(LoadEntity load, LoadRequest before, LoadRequest after) {
    RequestWords.between(before, after)
        .forEach(
            said ->
                audit.add(
                    AuditKind.LOAD_CHANGED,
                    load.id,
                    LoadService.subject(load) + ", " + said.what(),
                    said.before(),
                    said.after()));
  }

  /**
   * Checks a load again as it is, with what was decided or after the known names have changed.
   *
   * @throws Refusal as {@link #change}; then nothing was decided
   */
  public void checkAgain(int loadId, Together together) {
    work(loadId, request(staged(loadId)), together, false);
  }

  /**
   * Keeps the file of a load that came without it, and its lines; what was read of them stays.
   *
   * @param upload the file as it came
   */
  public void keepAgain(int loadId, Upload upload) {
    LoadEntity load = store.get(loadId);
    LoadRequest request = request(load);
    reading.read(
        loadId,
        upload,
        reading.look(upload, request),
        load.contentHash,
        request,
        Progress.unseen());
  }

  /** How a load is read. */
  public LoadRequest request(LoadEntity load) {
    return load.request == null
        ? LoadRequest.recognise()
        : json.readValue(load.request, LoadRequest.class);
  }

  /** Forgets a load with its lines, and its file where no other load has the same. */
  public void remove(int loadId) {
    remove(loadId, () -> {});
  }

  /**
   * The same.
   *
   * @param together what is stored in the same transaction
   */
  public void remove(int loadId, Runnable together) {
    String contentHash = store.get(loadId).contentHash;
    store.remove(
        loadId, together); // first: rows without a load do no harm, a load without rows would
    rows.delete(loadId);
    if (!store.hasContent(contentHash)) {
      originals.forget(contentHash);
    }
  }

  /** What an earlier halt left half-read can be read again where its original is whole. */
  public void recover(LoadEntity load) {
    if (originals.isKept(load.contentHash)) {
      problem(load.id, "load-interrupted", UploadWords.READING_WAS_INTERRUPTED);
    } else {
      remove(load.id);
    }
  }

  private void work(int loadId, LoadRequest request, Together together, boolean isReadAnew) {
    Progress progress = new Progress(0);
    jobs.run(
        loadId,
        progress,
        running -> {
          LoadEntity load = staged(loadId);
          if (isReadAnew || !sheets.has(loadId)) {
            // its lines are about to change: a halt must not leave it staged with others
            store.change(loadId, changed -> changed.state = LoadState.READING);
            keepingProblem(loadId, progress, () -> readOriginal(load, request, together, progress));
          } else if (load.state == LoadState.STAGED) {
            check(loadId, request, together, progress);
          } else {
            keepingProblem(loadId, progress, () -> check(loadId, request, together, progress));
          }
        },
        () -> giveUp(loadId, progress));
  }

  private void readOriginal(
      LoadEntity load, LoadRequest request, Together together, Progress progress) {
    Upload original = original(load);
    read(load, original, reading.look(original, request), request, together, progress);
  }

  private void read(
      LoadEntity load,
      Upload upload,
      TableFile file,
      LoadRequest request,
      Together together,
      Progress progress) {
    reading.read(load.id, upload, file, load.contentHash, request, progress);
    check(load.id, request, together, progress);
  }

  private void check(int loadId, LoadRequest request, Together together, Progress progress) {
    LoadEntity load = store.get(loadId);
    LoadRequest complete = requests.complete(request, sheets.get(loadId), load.fileName);
    if (load.state != LoadState.STAGED) {
      store.change(
          loadId,
          changed -> {
            changed.kind = complete.kind();
            changed.request = json.writeValueAsString(complete);
          });
    }
    checking.check(loadId, complete, together, progress);
  }

  /** Keeps a load that cannot be staged, with the reason. */
  private void keepingProblem(int loadId, Progress progress, Runnable work) {
    try {
      work.run();
    } catch (Refusal refused) {
      problem(loadId, refused.code(), refused.getMessage());
    } catch (CancellationException cancelled) {
      stopped(loadId, progress);
    } catch (RuntimeException | Error failure) {
      LOG.error("load {} could not be read", loadId, failure);
      problem(loadId, "internal", UploadWords.FAULT_OF_OURS);
    }
  }

  private void stopped(int loadId, Progress progress) {
    Refusal why = LoadJobs.stopped(progress);
    problem(loadId, why.code(), why.getMessage());
  }

  /** A load that was staged before its lines were looked at once more stays as it was. */
  private void giveUp(int loadId, Progress progress) {
    if (store.get(loadId).state == LoadState.READING) {
      stopped(loadId, progress);
    }
  }

  private void problem(int loadId, String code, String words) {
    store.change(
        loadId,
        load -> {
          load.state = LoadState.RECEIVED;
          load.problemCode = code;
          load.problem = words.length() > 2_000 ? words.substring(0, 2_000) : words;
        });
  }

  private LoadEntity begin(
      Upload upload, LoadRequest request, @Nullable Integer remainderOf, @Nullable String source) {
    LoadEntity load = new LoadEntity();
    load.kind = request.kind();
    load.state = LoadState.READING;
    load.fileName = upload.name();
    load.contentHash = reading.contentHash(upload);
    load.stagedAt = clock.instant();
    load.request = json.writeValueAsString(request);
    load.remainderOf = remainderOf;
    load.source = source;
    return store.add(load);
  }

  private LoadEntity staged(int loadId) {
    LoadEntity load = store.get(loadId);
    if (load.state != LoadState.STAGED && load.state != LoadState.RECEIVED) {
      throw Refusal.of("load-not-staged", UploadWords.loadIs(loadId, load.state.word()))
          .with("state", load.state.word());
    }
    return load;
  }

  private Upload original(LoadEntity load) {
    return new Upload() {
      @Override
      public String name() {
        return load.fileName;
      }

      @Override
      public InputStream open() throws IOException {
        return originals
            .open(load.contentHash)
            .orElseThrow(() -> new UncheckedIOException(new IOException("original is gone")));
      }
    };
  }
}
