package zealoustarget.server.earnings.delivery;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A version of a statement that goes or went to a rep. */
@Entity
@Table(name = "sent_statement")
class SentEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  String rep;

  @Column(name = "statement_month")
  int month;

  String version;
  String address;

  @Column(name = "begun_at")
  Instant begunAt;

  /** Null until the mail server took it. */
  @Column(name = "sent_at")
  Instant sentAt;
}
