// @vitest-environment jsdom
import { expect, test } from "vitest";
import { svgText } from "./saveSvg";

const draw = (inner: string) => {
  document.body.innerHTML = `<style>.mark { fill: rgb(23, 105, 122) }</style><svg class="x">${inner}</svg>`;
  return document.querySelector("svg")!;
};

test("a chart as a picture of its own is whole: colours stand in it, and it names itself", () => {
  const text = svgText(draw('<rect class="mark" width="3" height="4"/>'), "Hard sets & more", "rgb(235, 240, 242)");
  const picture = new DOMParser().parseFromString(text, "image/svg+xml");
  expect(picture.querySelector("parsererror")).toBeNull();
  expect(picture.documentElement.namespaceURI).toBe("http://www.w3.org/2000/svg");
  expect(picture.querySelector("title")!.textContent).toBe("Hard sets & more");
  const [ground, mark] = [...picture.querySelectorAll("rect")];
  expect(ground!.getAttribute("fill")).toBe("rgb(235, 240, 242)");
  expect(mark!.getAttribute("fill")).toBe("rgb(23, 105, 122)");
  expect(text).not.toContain("class=");
});

test("the page is left as it was", () => {
  const chart = draw('<rect class="mark"/>');
  const before = document.body.innerHTML;
  svgText(chart, "a", "white");
  expect(document.body.innerHTML).toBe(before);
});
