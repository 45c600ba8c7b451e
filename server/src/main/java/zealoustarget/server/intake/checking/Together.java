package zealoustarget.server.intake.checking;

/**
 * What is stored in the transaction of a check, so that it counts with it or not at all.
 *
 * @param before the check reads it
 * @param after said in the trail at its end, as nobody else can add to the trail from then on
 */
public record Together(Runnable before, Runnable after) {
  public static final Together NOTHING = new Together(() -> {}, () -> {});
}
