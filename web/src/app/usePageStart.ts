import { useEffect, useRef } from "react";
import { NavigationType, useLocation, useNavigationType } from "react-router";

/** Gives the page itself the focus, as far as nothing on it has it already: the next Tab is its first control. */
export function startPage() {
  const main = document.querySelector("main");
  if (main && !main.contains(document.activeElement)) {
    main.setAttribute("tabindex", "-1");
    main.focus({ preventScroll: true });
  }
  return main !== null;
}

/** A page that is opened begins at its top, with the focus on it; one to which somebody goes back stays where it was. */
export function usePageStart() {
  const { pathname, hash } = useLocation();
  const how = useNavigationType();
  const shown = useRef(pathname);
  useEffect(() => {
    if (shown.current === pathname) {
      return;
    }
    shown.current = pathname;
    if (how === NavigationType.Pop || hash !== "") {
      return;
    }
    window.scrollTo(0, 0);
    if (startPage()) {
      return;
    }
    // What it shows is on its way: it starts when it is there, unless somebody goes on before.
    const left = document.activeElement;
    const wait = new MutationObserver(() => {
      const at = document.activeElement;
      if ((at !== left && at !== document.body) || startPage()) {
        wait.disconnect();
      }
    });
    wait.observe(document.body, { childList: true, subtree: true });
    return () => {
      wait.disconnect();
    };
  }, [pathname, hash, how]);
}
