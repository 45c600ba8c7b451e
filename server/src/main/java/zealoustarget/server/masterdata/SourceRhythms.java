package zealoustarget.server.masterdata;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.close.SourceRhythm;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.state.DataState;

/** How often each source's lines are expected; every month where nothing else is said. */
@Component
public class SourceRhythms {
  private final SourceRhythmRepository stored;
  private final TransactionTemplate transactions;
  private final Audit audit;
  private final DataState state;
  private final Map<String, SourceRhythm> bySource = new ConcurrentHashMap<>();

  SourceRhythms(
      SourceRhythmRepository stored,
      TransactionTemplate transactions,
      Audit audit,
      DataState state) {
    this.stored = stored;
    this.transactions = transactions;
    this.audit = audit;
    this.state = state;
    stored.findAll().forEach(entity -> bySource.put(entity.source, entity.rhythm));
  }

  public SourceRhythm of(String source) {
    return bySource.getOrDefault(source, SourceRhythm.MONTHLY);
  }

  /**
   * Says how often a source comes.
   *
   * @param name what the audit log calls it
   */
  public synchronized void set(String source, String name, SourceRhythm rhythm) {
    SourceRhythm before = of(source);
    if (before == rhythm) {
      return;
    }
    transactions.executeWithoutResult(
        status -> {
          if (rhythm == SourceRhythm.MONTHLY) {
            stored.deleteById(source);
          } else {
            stored.save(new SourceRhythmEntity(source, rhythm, Audit.who()));
          }
          audit.add(
              AuditKind.CLOSE_LIST, MasterdataWords.source(name), before.word(), rhythm.word());
        });
    bySource.put(source, rhythm);
    state.changed();
  }
}
