const kept = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "stroke-linecap",
  "paint-order",
  "font-family",
  "font-size",
  "font-weight",
  "text-anchor",
  "dominant-baseline",
] as const;

/** A picture of its own of a chart: colours and type as they are seen stand in it, and nothing is left to a page. */
export function svgText(chart: SVGSVGElement, title: string, background: string) {
  const copy = chart.cloneNode(true) as SVGSVGElement;
  const shown = [chart, ...chart.querySelectorAll<SVGElement>("*")];
  [copy, ...copy.querySelectorAll<SVGElement>("*")].forEach((element, i) => {
    const style = getComputedStyle(shown[i]!);
    element.removeAttribute("class");
    element.removeAttribute("style");
    for (const name of kept) {
      const value = style.getPropertyValue(name);
      // A pattern is named within the picture; the page's address would tie it to the page.
      if (value) element.setAttribute(name, value.replace(/url\("?[^"#]*(#[^")]+)"?\)/, "url($1)"));
    }
  });
  const { width, height } = chart.getBoundingClientRect();
  copy.setAttribute("viewBox", `0 0 ${Math.round(width)} ${Math.round(height)}`);
  copy.setAttribute("width", String(Math.round(width)));
  copy.setAttribute("height", String(Math.round(height)));
  const name = document.createElementNS("http://www.w3.org/2000/svg", "title");
  name.textContent = title;
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", background);
  copy.prepend(name, ground);
  return new XMLSerializer().serializeToString(copy);
}

/** Hands a text to the browser as a file. */
export function saveFile(text: string, type: string, name: string) {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  // The browser has taken it by the next turn.
  setTimeout(() => URL.revokeObjectURL(address), 0);
}
