package zealoustarget.server.views;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A view by name, of one account or of the office. */
@Entity
@Table(name = "saved_view")
class SavedViewEntity {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Integer id;

  @Column(name = "owner_id")
  int ownerId;

  String name;

  @Column(name = "folded_name")
  String foldedName;

  String address;

  @Column(name = "saved_at")
  Instant savedAt;
}
