package zealoustarget.server.platform.http;

import com.fasterxml.jackson.annotation.Nulls;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How JSON is read. */
@Configuration
class JsonConfig {
  /** A null among a list's entries says nothing that could be done, so it is refused. */
  @Bean
  JsonMapperBuilderCustomizer noNullsInLists() {
    return builder ->
        builder.changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
  }
}
