import { useUnit } from "../account/useMe";
import type { Decision } from "../api/types";
import { WhyFigure } from "../why/WhyFigure";
import { useFigure } from "./useDetails";
import { headline } from "./wording";

/** What a decision says; its figure opens into the reasons. */
export function Headline({ decision }: { decision: Decision }) {
  const figure = useFigure();
  const say = headline(decision, useUnit());
  return (
    <>
      {say.figure && `${say.before} `}
      <WhyFigure figure={figure(decision)} wrap>
        {say.figure ?? say.before}
      </WhyFigure>
    </>
  );
}
