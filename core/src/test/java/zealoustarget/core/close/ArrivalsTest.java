package zealoustarget.core.close;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.Members;

class ArrivalsTest {
  private static final int OCTOBER = Months.number(YearMonth.of(2026, 10));

  private static Arrivals of(Integer... daysBeforeOctober) {
    TreeMap<Integer, Integer> days = new TreeMap<>();
    for (int back = 1; back <= daysBeforeOctober.length; back++) {
      Integer day = daysBeforeOctober[back - 1];
      if (day != null) {
        days.put(OCTOBER - back, day);
      }
    }
    return new Arrivals(days, java.util.Set.of());
  }

  @Test
  void usualDay_isTheMedianOfTheSixMonthsBefore() {
    assertThat(of().usualDay(OCTOBER)).isEmpty();
    assertThat(of(5).usualDay(OCTOBER)).hasValue(5);
    assertThat(of(3, 4).usualDay(OCTOBER)).as("a half is rounded up").hasValue(4);
    assertThat(of(3, 3, 4, 9).usualDay(OCTOBER)).hasValue(4);
    assertThat(of(9, null, 2, 4).usualDay(OCTOBER)).hasValue(4);
    assertThat(of(1, 1, 1, 1, 1, 1, 90).usualDay(OCTOBER)).as("a seventh is not asked").hasValue(1);
    assertThat(of(-2, -1).usualDay(OCTOBER)).as("within the month").hasValue(-1);
  }

  @Test
  void usualDay_liesWhereHalfOfTheMonthsLie() {
    Random random = new Random(4);
    for (int round = 0; round < 1_000; round++) {
      Integer[] days = new Integer[1 + random.nextInt(6)];
      for (int at = 0; at < days.length; at++) {
        days[at] = random.nextInt(60) - 10;
      }
      int usual = of(days).usualDay(OCTOBER).orElseThrow();
      assertThat(List.of(days).stream().filter(day -> day < usual).count())
          .isLessThanOrEqualTo((days.length + 1) / 2);
      assertThat(List.of(days).stream().filter(day -> day > usual).count())
          .isLessThanOrEqualTo((days.length + 1) / 2);
    }
  }

  @Test
  void behind_countsFromTheUsualDay_alsoOfWhatIsMissing() {
    Arrivals arrivals = of(3, 3, 3);
    assertThat(arrivals.behind(OCTOBER, LocalDate.of(2026, 11, 9))).hasValue(6);
    assertThat(arrivals.behind(OCTOBER, LocalDate.of(2026, 10, 20))).hasValue(-14);
    TreeMap<Integer, Integer> days = new TreeMap<>(arrivals.days());
    days.put(OCTOBER, 22);
    assertThat(new Arrivals(days, java.util.Set.of()).behind(OCTOBER, LocalDate.of(2027, 1, 1)))
        .hasValue(19);
    assertThat(of().behind(OCTOBER, LocalDate.of(2027, 1, 1))).isEmpty();
  }

  @Test
  void firstLoadOfAMonth_counts_andLoadsWithoutASourceDoNot() {
    List<ActualBlock> blocks = new ArrayList<>();
    blocks.add(block(1, OCTOBER - 1, OCTOBER));
    blocks.add(block(2, OCTOBER));
    blocks.add(block(3, OCTOBER));
    Map<Integer, LocalDate> came =
        Map.of(
            1, LocalDate.of(2026, 11, 20),
            2, LocalDate.of(2026, 11, 3),
            3, LocalDate.of(2026, 11, 1));
    Map<String, Arrivals> all = Arrivals.of(blocks, load -> load == 3 ? null : "orders", came::get);
    assertThat(all.keySet()).containsExactly("orders");
    assertThat(all.get("orders").days()).isEqualTo(Map.of(OCTOBER - 1, 51, OCTOBER, 3));
    assertThat(all.get("orders").along()).as("came with October").containsExactly(OCTOBER - 1);
    assertThat(all.get("orders").usualDay(OCTOBER)).isEmpty();
    assertThat(all.get("orders").usualDay(OCTOBER + 1)).hasValue(3);
  }

  private static ActualBlock block(int load, int... months) {
    ActualBlock.Builder builder = new ActualBlock.Builder(load, List.of("revenue"));
    for (int month : months) {
      builder.add(1, month, 0, Members.NONE, Members.NONE, 100);
    }
    return builder.build();
  }

  @Test
  void rhythms_expect() {
    assertThat(SourceRhythm.MONTHLY.expects(true, false, false)).isTrue();
    assertThat(SourceRhythm.MONTHLY.expects(false, true, true)).isFalse();
    assertThat(SourceRhythm.QUARTERLY.expects(true, false, true)).isFalse();
    assertThat(SourceRhythm.QUARTERLY.expects(false, true, true)).isTrue();
    assertThat(SourceRhythm.ENDED.expects(true, true, true)).isFalse();
    assertThat(SourceRhythm.findByWord("quarterly")).contains(SourceRhythm.QUARTERLY);
    assertThat(SourceRhythm.findByWord("weekly")).isEmpty();
  }

  @Test
  void workingDaysAfterAMonth() {
    WorkingDays days = new WorkingDays(java.util.Set.of(LocalDate.of(2026, 11, 2)));
    YearMonth october = YearMonth.of(2026, 10);
    assertThat(days.after(october, LocalDate.of(2026, 10, 30))).isZero();
    assertThat(days.after(october, LocalDate.of(2026, 11, 1))).as("a Sunday").isZero();
    assertThat(days.after(october, LocalDate.of(2026, 11, 2))).as("a holiday").isZero();
    assertThat(days.after(october, LocalDate.of(2026, 11, 3))).isEqualTo(1);
    assertThat(days.after(october, LocalDate.of(2026, 11, 9))).isEqualTo(5);
    assertThat(days.after(october, LocalDate.of(2026, 11, 8))).isEqualTo(4);
  }
}
