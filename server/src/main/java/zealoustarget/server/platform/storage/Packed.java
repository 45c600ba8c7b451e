package zealoustarget.server.platform.storage;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.dataformat.cbor.CBORMapper;

/** Records as CBOR (RFC 8949), deflated (RFC 1950) where they are text. */
public final class Packed {
  private static final ObjectMapper CBOR = new CBORMapper();

  private Packed() {}

  /** Columns of numbers: small as they are. */
  public static byte[] plain(Object value) {
    return CBOR.writeValueAsBytes(value);
  }

  public static <T> T fromPlain(byte[] content, Class<T> type) {
    return CBOR.readValue(content, type);
  }

  /** Texts: packed in the fastest way. */
  public static byte[] deflated(Object value) {
    ByteArrayOutputStream packed = new ByteArrayOutputStream(16_384);
    Deflater fast = new Deflater(Deflater.BEST_SPEED);
    try (OutputStream out = new DeflaterOutputStream(packed, fast, 8_192)) {
      out.write(CBOR.writeValueAsBytes(value));
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    } finally {
      fast.end();
    }
    return packed.toByteArray();
  }

  /** What {@link #deflated} packed. */
  public static <T> T fromDeflated(byte[] content, Class<T> type) {
    try (InputStream in = new InflaterInputStream(new ByteArrayInputStream(content))) {
      return CBOR.readValue(in.readAllBytes(), type);
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
  }
}
