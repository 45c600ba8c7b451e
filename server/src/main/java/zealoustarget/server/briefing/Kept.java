package zealoustarget.server.briefing;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A briefing as it was signed, whole: nothing of it is asked again.
 *
 * @param blocks with their texts as they were read
 */
record Kept(
    String company,
    String title,
    String from,
    String to,
    String madeBy,
    String signedBy,
    String signedAt,
    List<KeptBlock> blocks) {

  /** Its blocks as they were. */
  List<Block> plainBlocks() {
    return blocks.stream().map(KeptBlock::block).toList();
  }

  /** The table of an exhibit; null of other blocks. */
  @Nullable ExhibitData dataOf(String block) {
    return blocks.stream()
        .filter(one -> one.block().id().equals(block) && one.data() != null)
        .map(KeptBlock::data)
        .findFirst()
        .orElse(null);
  }

  /** A block with every figure's query and value, and an exhibit's table. */
  record KeptBlock(Block block, String read, @Nullable ExhibitData data) {}
}
