package zealoustarget.server.masterdata;

import zealoustarget.core.member.Axis;

/** What members are called. */
public interface MemberNames {
  /** The name of the member with that key; the key itself where nobody has it any more. */
  String nameOf(Axis axis, String key);
}
