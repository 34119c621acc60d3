import { createContext, useContext } from "react";
import { useUnit } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { components } from "../../shared/api/schema";
import type { Block, Pattern } from "../../shared/api/types";
import { text } from "../../shared/why/quantity";
import { WhyFigure } from "../../shared/why/WhyFigure";

/** What the figures of a page belong to. */
export const WhoseBlock = createContext<{
  athleteId: string;
  athlete: string;
  block: Block;
  /** Its id, where it was generated and so knows why each item is there. */
  generated: string | null;
} | null>(null);

interface Props {
  figure: components["schemas"]["BlockFigure"];
  week: number;
  session?: string | null;
  item?: string | null;
  pattern?: Pattern | null;
  /** What it is, for the panel. */
  subject: string;
  /** As it stands on screen, where that is not the bare figure. */
  shown?: string;
  children: React.ReactNode;
}

/** A figure of the block that is asked for its reasons when it is pressed. */
export function AskWhy({ figure, week, session = null, item = null, pattern = null, subject, shown, children }: Props) {
  const whose = useContext(WhoseBlock);
  const unit = useUnit();
  if (!whose) return <>{children}</>;
  const key = ["block", figure, week, session, item, pattern].join(":");
  const fetchWhy = async () => {
    const answer = await ask(
      api.POST("/api/athletes/{athleteId}/blocks/why", {
        params: { path: { athleteId: whose.athleteId } },
        body: { block: whose.block, figure, week, session, item, pattern },
      }),
    );
    return { key, shown: shown ?? text(answer.value, unit), subject: `${whose.athlete}, ${subject}`, why: answer.why };
  };
  return <WhyFigure figure={{ key, ask: fetchWhy }}>{children}</WhyFigure>;
}
