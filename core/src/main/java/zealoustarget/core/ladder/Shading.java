package zealoustarget.core.ladder;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Ratio;

/**
 * How full the tone of a variance is, on two sides of exactly 0; docs/calculations.md, section 4.
 *
 * @param goodLimit favourable variance of full tone, in smallest units and not negative; null for
 *     the largest in view; 0 for full tone at any
 * @param badLimit the same on the unfavourable side
 */
public record Shading(@Nullable Ratio goodLimit, @Nullable Ratio badLimit) {
  /** Each side against its own largest in view. */
  public static final Shading AUTOMATIC = new Shading(null, null);

  /** Checks that no limit is negative. */
  public Shading {
    if ((goodLimit != null && goodLimit.signum() < 0)
        || (badLimit != null && badLimit.signum() < 0)) {
      throw new IllegalArgumentException("a full-tone limit must be 0 or above");
    }
  }

  /** The same rule with its automatic limits set to the largest of the variances in view. */
  public Shading inView(List<@Nullable Ratio> favourables) {
    List<Ratio> known = favourables.stream().filter(Objects::nonNull).toList();
    Ratio good = known.stream().reduce(Ratio.ZERO, Ratio::max);
    Ratio bad = known.stream().map(Ratio::negated).reduce(Ratio.ZERO, Ratio::max);
    return new Shading(goodLimit == null ? good : goodLimit, badLimit == null ? bad : badLimit);
  }

  /**
   * From −1 (full bad) over 0 (exactly no variance) to 1 (full good), of a rule without automatic
   * limits.
   *
   * <p>Worked, bad limit 60 000: −30 000 is −1/2, −89 000 is −1.
   */
  public @Nullable Ratio position(@Nullable Ratio favourable) {
    if (favourable == null || favourable.signum() == 0) {
      return favourable;
    }
    Ratio limit = favourable.signum() > 0 ? goodLimit : badLimit;
    Ratio full = Ratio.of(favourable.signum());
    if (limit == null || limit.signum() == 0 || favourable.abs().compareTo(limit) >= 0) {
      return full;
    }
    return favourable.dividedBy(limit);
  }
}
