import { Fragment, type ReactNode } from "react";
import { say as word } from "../../words/common";

/** Says its children as a list, like "Sun 15 Mar, started, deload"; one that is empty leaves no comma behind. */
export function Listed({ children }: { children: ReactNode }) {
  // Not by the helper for children: it would take the parts of a message with a link in it for several.
  return (Array.isArray(children) ? (children as ReactNode[]) : [children])
    .filter((child) => child !== "" && child !== null && child !== undefined && typeof child !== "boolean")
    .map((child, i) => (
      <Fragment key={i}>
        {i > 0 && word("listComma")}
        {child}
      </Fragment>
    ));
}
