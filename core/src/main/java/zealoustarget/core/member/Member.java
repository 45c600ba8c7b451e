package zealoustarget.core.member;

/**
 * One row's subject.
 *
 * @param id number that rows hold, from 0, the same as long as the company's data lives
 * @param key what files call it
 * @param name what people call it; the key where no name was loaded
 */
public record Member(int id, String key, String name) {
  public static final Member COMPANY = new Member(0, "company", "Company");
}
