import { useEffect, useRef, type RefObject } from "react";
import { useLocation } from "react-router";
import { say } from "../words/app";

/**
 * The page's first heading names the document, and gets the focus when another page is opened: a screen reader reads
 * where one is, and Tab goes on from there. A field that takes the focus by itself keeps it.
 */
export function usePageHeading(main: RefObject<HTMLElement | null>) {
  const { pathname } = useLocation();
  const shown = useRef<string | null>(null);
  useEffect(() => {
    const page = main.current;
    if (!page) return;
    let waits = shown.current !== null && shown.current !== pathname;
    shown.current = pathname;
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
  }, [main, pathname]);
}
