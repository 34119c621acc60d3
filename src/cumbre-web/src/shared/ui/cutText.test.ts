// @vitest-environment jsdom
import { beforeAll, beforeEach, expect, it } from "vitest";
import { tellCutText } from "./cutText";

beforeAll(() => tellCutText());
beforeEach(() => (document.body.innerHTML = ""));

/** A text in a box of 100 px. */
function box(wide: number, more = "", tag = "p") {
  document.body.insertAdjacentHTML(
    "beforeend",
    `<${tag} style="text-overflow: ellipsis" ${more}>Tuck front lever</${tag}>`,
  );
  const e = document.body.lastElementChild as HTMLElement;
  Object.defineProperties(e, { scrollWidth: { value: wide }, clientWidth: { value: 100 } });
  return e;
}
const over = (e: Element) => e.dispatchEvent(new Event("pointerover", { bubbles: true }));

it("tells a text that is cut in full, and one that fits not", () => {
  const [cut, fits] = [box(180), box(100)];
  over(cut);
  expect(cut.title).toBe("Tuck front lever");
  over(fits);
  expect([cut.title, fits.title]).toEqual(["", ""]);
});

it("keeps a title that says more", () => {
  const cut = box(180, 'title="the step in training"');
  over(cut);
  over(document.body);
  expect(cut.title).toBe("the step in training");
});

it("tells what a field holds where the focus stands, as it is now", () => {
  const field = box(180, "", "input") as HTMLInputElement;
  field.value = "3 x drop 4+4+6";
  field.dispatchEvent(new Event("focusin", { bubbles: true }));
  expect(field.title).toBe("3 x drop 4+4+6");
  field.value = "3 x drop 4+4+8";
  over(field);
  expect(field.title).toBe("3 x drop 4+4+8");
});
