import { useEffect, type RefObject } from "react";
import { say } from "../../words/ui";

/** What was shown last in this window: the page that it opens with begins at its top. */
let shown: string | null = null;

/**
 * The page's first heading names the document, and gets the focus when another page is opened: a screen reader reads
 * where one is, and Tab goes on from there. A field that takes the focus by itself keeps it.
 * @param place Another one is another page.
 */
export function usePageHeading(main: RefObject<HTMLElement | null>, place: string) {
  useEffect(() => {
    const page = main.current;
    if (!page) return;
    let waits = shown !== null && shown !== place;
    shown = place;
    const look = () => {
      const heading = page.querySelector<HTMLElement>("h1");
      if (!heading) return;
      const title = say("titleOfPage", { page: heading.textContent.trim() });
      if (document.title !== title) document.title = title;
      if (!waits) return;
      waits = false;
      if (page.contains(document.activeElement) || document.querySelector("[role=dialog]")) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    look();
    const watch = new MutationObserver(look);
    watch.observe(page, { subtree: true, childList: true, characterData: true });
    return () => watch.disconnect();
  }, [main, place]);
}
