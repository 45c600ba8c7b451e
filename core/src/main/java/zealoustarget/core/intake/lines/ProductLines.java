package zealoustarget.core.intake.lines;

import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.member.Axis;

/** Lines of a product list: a product's name and line. */
final class ProductLines implements LineReader.Kind {
  private final FirstSeen products = new FirstSeen();

  @Override
  public void read(LineContext draft) {
    String key = draft.cell(Header.Role.PRODUCT);
    String name = draft.name(key);
    int line = draft.cell(Header.Role.LINE).isEmpty() ? -1 : draft.member(Axis.LINE, false);
    int product = draft.ownMember(Axis.PRODUCT);
    if (draft.isHeld()) {
      return;
    }
    int first = products.seenOrAdd(product, draft.line());
    if (first > 0) {
      draft.find(
          draft.title(Header.Role.PRODUCT),
          FindingCode.PRODUCT_TWICE,
          "member",
          key,
          "first",
          Integer.toString(first));
      return;
    }
    draft.add(new LoadRow.Product(draft.line(), product, name, line));
  }
}
