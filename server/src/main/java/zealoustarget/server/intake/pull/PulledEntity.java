package zealoustarget.server.intake.pull;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What was last pulled from an address. */
@Entity
@Table(name = "pulled")
class PulledEntity {
  @Id String url;

  String etag;

  @Column(name = "load_id")
  Integer loadId;

  @Column(name = "pulled_at")
  Instant pulledAt;

  protected PulledEntity() {}

  PulledEntity(String url, String etag, Integer loadId, Instant pulledAt) {
    this.url = url;
    this.etag = etag;
    this.loadId = loadId;
    this.pulledAt = pulledAt;
  }
}
