package zealoustarget.server.platform.state;

/** Something that gives a value or fails. */
public interface Work<T, E extends Exception> {
  T run() throws E;
}
