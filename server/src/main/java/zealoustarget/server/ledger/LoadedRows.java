package zealoustarget.server.ledger;

import java.util.List;
import zealoustarget.core.ledger.ActualBlock;
import zealoustarget.core.ledger.GoalBook;

/** What one posted load adds to the ledger; only the part of its kind is filled. */
record LoadedRows(
    PostedLoad load,
    ActualBlock actuals,
    List<GoalBook.Cell> goals,
    List<StayRowEntity> stays,
    List<ProductRowEntity> products) {
  static LoadedRows of(PostedLoad load, ActualBlock actuals) {
    return new LoadedRows(load, actuals, List.of(), List.of(), List.of());
  }

  static LoadedRows ofGoals(PostedLoad load, List<GoalBook.Cell> goals) {
    return new LoadedRows(load, null, goals, List.of(), List.of());
  }

  static LoadedRows ofStays(PostedLoad load, List<StayRowEntity> stays) {
    return new LoadedRows(load, null, List.of(), stays, List.of());
  }

  static LoadedRows ofProducts(PostedLoad load, List<ProductRowEntity> products) {
    return new LoadedRows(load, null, List.of(), List.of(), products);
  }
}
