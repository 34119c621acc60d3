import { useEffect, useRef, useState } from "react";

/** Whether an element has come near what is seen of the page: a long list draws what is looked at. */
export function useSeen(waits: boolean) {
  const ref = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(!waits || typeof IntersectionObserver === "undefined");
  useEffect(() => {
    if (seen || !ref.current) return;
    const observer = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true), {
      rootMargin: "300px",
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [seen]);
  return { ref, seen };
}
