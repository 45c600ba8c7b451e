package zealoustarget.bench;

import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.calendar.Span;

/** The same lines as a table of the same database, with an index that covers the sums. */
final class SqlSums {
  private static final int BATCH = 20_000;

  private final JdbcTemplate sql;

  SqlSums(JdbcTemplate sql, PlainLoop lines) {
    this.sql = sql;
    sql.execute("create table bench_line (line_month int, region int, rep int, amount bigint)");
    List<Object[]> batch = new ArrayList<>();
    for (int month = 0; month + 1 < lines.starts().length; month++) {
      for (int line = lines.starts()[month]; line < lines.starts()[month + 1]; line++) {
        int rep = lines.reps()[line];
        batch.add(
            new Object[] {lines.first() + month, lines.regions()[rep], rep, lines.amounts()[line]});
        if (batch.size() == BATCH) {
          flush(batch);
        }
      }
    }
    flush(batch);
    sql.execute("create index bench_cover on bench_line (line_month, region, rep, amount)");
  }

  long byRep(Span span) {
    return rows(
        "select rep, sum(amount) from bench_line where line_month between ? and ?"
            + " group by rep",
        span);
  }

  long byRepAndMonth(Span span) {
    return rows(
        "select rep, line_month, sum(amount) from bench_line where line_month between ?"
            + " and ? group by rep, line_month",
        span);
  }

  long byRegionAndRep(Span span) {
    return rows(
        "select region, rep, sum(amount) from bench_line where line_month between ? and ?"
            + " group by region, rep",
        span);
  }

  private long rows(String query, Span span) {
    return sql.queryForList(
            query, Months.number(span.fromInclusive()), Months.number(span.toInclusive()))
        .size();
  }

  private void flush(List<Object[]> batch) {
    sql.batchUpdate("insert into bench_line values (?, ?, ?, ?)", batch);
    batch.clear();
  }
}
