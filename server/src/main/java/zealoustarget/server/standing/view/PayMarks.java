package zealoustarget.server.standing.view;

import org.jspecify.annotations.Nullable;

/**
 * Where a rep's commission begins and ends on the lane: amounts as decimal text, null where the
 * plan has none.
 */
public record PayMarks(@Nullable String floor, @Nullable String ceiling) {}
