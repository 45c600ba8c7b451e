package zealoustarget.server.startup;

/** Brings data for a database that has no load yet. */
public interface FirstData {
  /** Fills the empty database; requests are not taken before it is done. */
  void fill();
}
