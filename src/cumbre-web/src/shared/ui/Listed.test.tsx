// @vitest-environment jsdom
import { render } from "@testing-library/react";
import { expect, test } from "vitest";
import { listed } from "./format";
import { Listed } from "./Listed";

const shown = (list: React.ReactNode) => render(<>{list}</>).container.innerHTML;

test("What is there is said with commas between, whatever is missing around it", () => {
  expect(
    shown(
      <Listed>
        {""}
        <b>Sun 15</b>
        {false}
        {null}
        {"started"}
        {["of the group ", <i key="a">Circuit</i>]}
        {0}
      </Listed>,
    ),
  ).toBe("<b>Sun 15</b>, started, of the group <i>Circuit</i>, 0");
  expect(shown(<Listed>{false}</Listed>)).toBe("");
  expect(listed("", "Sun 15", null, undefined, "started", false)).toBe("Sun 15, started");
  expect(listed(null)).toBe("");
});
