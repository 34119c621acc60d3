import { skipToken, useQuery } from "@tanstack/react-query";
import { useContext } from "react";
import { generationQuery } from "../../shared/generation/queries";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { WhoseBlock } from "./AskWhy";
import { say } from "../../words/blocks";

/** The name of an exercise; in a generated block it opens why it stands there. */
export function WhyHere({ item, name, line }: { item: string; name: string; line: string }) {
  const whose = useContext(WhoseBlock);
  const blockId = whose?.generated ?? null;
  const query = generationQuery(whose?.athleteId ?? "", blockId ?? "");
  const generation = useQuery({ ...query, queryFn: blockId ? query.queryFn : skipToken });
  const reasons = generation.data?.items.find((i) => i.item === item);
  if (!whose || !reasons) return <>{name}</>;
  const changed = reasons.movement !== name || reasons.line !== line;
  return (
    <WhyFigure
      wrap
      figure={{
        key: `here:${item}`,
        shown: name,
        subject: `${whose.athlete}, ${line}`,
        note: changed ? say("changedByHandGeneratedAs", { movement: reasons.movement, line: reasons.line }) : undefined,
        why: reasons.why,
      }}
    >
      {name}
    </WhyFigure>
  );
}
