// @vitest-environment jsdom
import { render } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Board } from "./Board";

describe("a line on the board", () => {
  it.each([
    "4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30",
    "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow",
    "top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top",
  ])("keeps every character of %s", (line) => {
    expect(render(<Board line={line} />).container.textContent).toBe(line);
  });

  it("sets figures apart from words", () => {
    const { container } = render(<Board line="4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30" />);
    const strong = [...container.querySelectorAll("span span")].map((e) => e.textContent);
    expect(strong).toEqual(["4", "5", "+12.5 kg", "3-1-X-0", "2:30"]);
  });
});
