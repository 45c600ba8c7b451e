package zealoustarget.core.ledger.columns;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.core.amount.Amounts;

class OrderSetTest {
  private static final int ORDERS = 40;

  private static ActualBlock block(Random random, int load) {
    ActualBlock.Builder block = new ActualBlock.Builder(load, List.of("revenue"));
    for (int row = 0; row < random.nextInt(30); row++) {
      long amount = random.nextInt(5) == 0 ? Amounts.NONE : 5;
      block.add(row + 2, 24_000 + random.nextInt(3), 1, -1, random.nextInt(3), amount);
      block.order(random.nextInt(6) == 0 ? OrderKey.NONE : OrderKey.ofOrder(order(random)));
    }
    return block.build();
  }

  private static String order(Random random) {
    return "SO-" + random.nextInt(ORDERS);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void setOfSomeOrders_saysOfTheseWhatTheWholeSays(long seed) {
    Random random = new Random(seed);
    List<ActualBlock> posted = new ArrayList<>();
    for (int load = 0; load < 6; load++) {
      posted.add(block(random, load));
    }
    OrderSet asked = new OrderSet();
    asked.addOrder(" ");
    List<String> orders = new ArrayList<>();
    for (int time = 0; time < 15; time++) {
      String order = order(random);
      orders.add(order);
      asked.addOrder(" " + order.toLowerCase() + " ");
    }
    OrderSet whole = OrderSet.of(posted);
    OrderSet some = OrderSet.among(asked, posted);
    int found = 0;
    for (String order : orders) {
      for (int product = 0; product < 3; product++) {
        long key = OrderKey.of(order, product);
        assertThat(some.contains(key)).as("%s, %d", order, product).isEqualTo(whole.contains(key));
        found += whole.contains(key) ? 1 : 0;
      }
    }
    assertThat(found).isBetween(1, 3 * orders.size() - 1);
  }
}
