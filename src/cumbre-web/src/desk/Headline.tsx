import type { Decision } from "../api/types";
import { WhyFigure } from "../why/WhyFigure";
import { figureOf } from "./figureOf";
import { headline } from "./wording";

/** What a decision says; its figure opens into the reasons. */
export function Headline({ decision }: { decision: Decision }) {
  const say = headline(decision);
  return (
    <>
      {say.figure && `${say.before} `}
      <WhyFigure figure={figureOf(decision)} wrap>
        {say.figure ?? say.before}
      </WhyFigure>
    </>
  );
}
