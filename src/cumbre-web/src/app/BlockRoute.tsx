import BlockPage from "../features/blocks/BlockPage";
import { PublishDialog } from "../features/publish/PublishDialog";

/** A block with the dialog that publishes it: two features, which meet only here. */
export default function BlockRoute() {
  return <BlockPage Publish={PublishDialog} />;
}
