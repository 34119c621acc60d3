const isCut = (e: HTMLElement) => e.scrollWidth > e.clientWidth + 1;

/** What is cut at the right under the pointer, if anything: a text that ends in dots, or a field with more than it shows. */
function cutAt(target: EventTarget | null): HTMLElement | null {
  for (let e = target instanceof HTMLElement ? target : null; e && e !== document.body; e = e.parentElement)
    if ((e instanceof HTMLInputElement || getComputedStyle(e).textOverflow === "ellipsis") && isCut(e)) return e;
  return null;
}

/** Whatever a page had to cut is told in full where the pointer rests or the focus stands. */
export function tellCutText(root: Document = document) {
  let told: HTMLElement | null = null;
  const tell = (event: Event) => {
    told?.removeAttribute("title");
    const cut = cutAt(event.target);
    // A title of the element's own says more than what it shows.
    told = cut?.title === "" ? cut : null;
    if (told) told.title = told instanceof HTMLInputElement ? told.value : (told.textContent ?? "");
  };
  root.addEventListener("pointerover", tell);
  root.addEventListener("focusin", tell);
}
