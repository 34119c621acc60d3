import { Children, Fragment, type ReactNode } from "react";
import { say as word } from "../../words/common";

/** Says its children as a list, like "Sun 15 Mar, started, deload"; one that is empty leaves no comma behind. */
export function Listed({ children }: { children: ReactNode }) {
  return Children.toArray(children)
    .filter((child) => child !== "")
    .map((child, i) => (
      <Fragment key={i}>
        {i > 0 && word("listComma")}
        {child}
      </Fragment>
    ));
}
