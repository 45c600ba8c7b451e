package zealoustarget.server.files;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.SequenceInputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.Enumeration;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import java.util.zip.Deflater;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import zealoustarget.server.platform.state.Turns;

/** Keeps every file as it came, packed, once per content. */
@Component
public class OriginalStore {
  private static final int PART = 512 * 1024;
  private static final int TURNS = 64;

  private final SessionFactory sessions;
  private final Turns turns = new Turns(TURNS);

  OriginalStore(SessionFactory sessions) {
    this.sessions = sessions;
  }

  /** Keeps a file whose content is not here yet; the same content twice at once is kept once. */
  public void keep(Upload upload, String contentHash) {
    Lock turn = turns.take(contentHash);
    try {
      keepAlone(upload, contentHash);
    } finally {
      turn.unlock();
    }
  }

  private void keepAlone(Upload upload, String contentHash) {
    sessions.inStatelessTransaction(
        session -> {
          Optional<OriginalEntity> known = find(session, contentHash);
          if (known.isPresent()) {
            return;
          }
          OriginalEntity original = new OriginalEntity(contentHash);
          session.insert(original);
          try (PartsOutput parts = new PartsOutput(session, original.id);
              OutputStream packed = new FastGzip(parts);
              InputStream bytes = upload.open()) {
            original.byteCount = bytes.transferTo(packed);
          } catch (IOException failure) {
            throw new UncheckedIOException(failure);
          }
          original.isWhole = true;
          session.update(original);
        });
  }

  /** The file as it came, if it is kept. */
  public Optional<InputStream> open(String contentHash) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return find(session, contentHash).map(original -> unpacked(session, original.id));
    }
  }

  /** Whether a file is kept whole. */
  public boolean isKept(String contentHash) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return find(session, contentHash).isPresent();
    }
  }

  /** Forgets a file that no load has any more. */
  public void forget(String contentHash) {
    sessions.inStatelessTransaction(
        session -> find(session, contentHash).ifPresent(session::delete));
  }

  private InputStream unpacked(StatelessSession session, int originalId) {
    List<Long> ids =
        session
            .createSelectionQuery(
                "select id from OriginalPartEntity where originalId = :original order by id",
                Long.class)
            .setParameter("original", originalId)
            .list();
    Iterator<Long> parts = ids.iterator();
    Enumeration<InputStream> streams =
        new Enumeration<>() {
          @Override
          public boolean hasMoreElements() {
            return parts.hasNext();
          }

          @Override
          public InputStream nextElement() {
            return new ByteArrayInputStream(part(parts.next()));
          }
        };
    try {
      return new GZIPInputStream(
          ids.isEmpty()
              ? new SequenceInputStream(Collections.emptyEnumeration())
              : new SequenceInputStream(streams));
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }

  private byte[] part(long id) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return session.get(OriginalPartEntity.class, id).content;
    }
  }

  private static Optional<OriginalEntity> find(StatelessSession session, String contentHash) {
    return session
        .createSelectionQuery("from OriginalEntity where contentHash = :hash", OriginalEntity.class)
        .setParameter("hash", contentHash)
        .getResultStream()
        .findFirst();
  }

  /** Packs in the fastest way: a file of a hundred megabytes is kept while it is read. */
  private static final class FastGzip extends GZIPOutputStream {
    FastGzip(OutputStream out) throws IOException {
      super(out, 65_536);
      def.setLevel(Deflater.BEST_SPEED);
    }
  }

  /** Cuts a stream of bytes into rows. */
  private static final class PartsOutput extends OutputStream {
    private final StatelessSession session;
    private final int originalId;
    private final byte[] buffer = new byte[PART];
    private int filled;
    private int number;

    PartsOutput(StatelessSession session, int originalId) {
      this.session = session;
      this.originalId = originalId;
    }

    @Override
    public void write(int one) {
      write(new byte[] {(byte) one}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int from, int length) {
      int at = from;
      int left = length;
      while (left > 0) {
        int fitting = Math.min(left, PART - filled);
        System.arraycopy(bytes, at, buffer, filled, fitting);
        filled += fitting;
        at += fitting;
        left -= fitting;
        if (filled == PART) {
          flushPart();
        }
      }
    }

    @Override
    public void close() {
      flushPart();
    }

    private void flushPart() {
      if (filled > 0) {
        long id = ((long) originalId << 32) + number++;
        session.insert(new OriginalPartEntity(id, originalId, Arrays.copyOf(buffer, filled)));
        filled = 0;
      }
    }
  }
}
