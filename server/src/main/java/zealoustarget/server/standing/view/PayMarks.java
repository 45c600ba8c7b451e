package zealoustarget.server.standing.view;

/**
 * Where a rep's commission begins and ends on the lane: amounts as decimal text, null where the
 * plan has none.
 */
public record PayMarks(String floor, String ceiling) {}
