package zealoustarget.server.rules.storage;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** One of the company's single values. */
@Entity
@Table(name = "setting")
class SettingEntity {
  @Id String name;
  String content;

  protected SettingEntity() {}

  SettingEntity(String name, String content) {
    this.name = name;
    this.content = content;
  }
}
