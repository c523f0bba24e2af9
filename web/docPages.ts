import { Marked, type Token } from "marked";
import { getHeadingList, gfmHeadingId } from "marked-gfm-heading-id";
import type { Plugin } from "vite";

/** Pages of docs/ as HTML and headings, made when the front end is built: import them with `?page`. */
export function docPages(): Plugin {
  return {
    name: "doc-pages",
    enforce: "pre",
    transform(source, id) {
      const [file = "", query] = id.split("?");
      if (query !== "page") {
        return null;
      }
      const from = file.slice(file.lastIndexOf("/docs/"));
      const html = new Marked(gfmHeadingId(), {
        walkTokens: (token) => {
          leadOn(token, from);
        },
      }).parse(source, { async: false });
      const headings = getHeadingList().map(({ level, id: anchor, text }) => ({
        level,
        id: anchor,
        text,
      }));
      return {
        code: `export default ${JSON.stringify({ html, headings })}`,
        moduleType: "js",
        map: null,
      };
    },
  };
}

/** A link to another page leads to that page here; one to a file that is no page stays its words. */
function leadOn(token: Token, from: string) {
  if (token.type !== "link" || /^[a-z]+:/.test(String(token.href))) {
    return;
  }
  const { pathname, hash } = new URL(String(token.href), `file://${from}`);
  const page = /^\/docs\/(.+)\.md$/.exec(pathname)?.[1];
  if (page === undefined) {
    Object.assign(token, { type: "text" });
  } else {
    token.href = (page === "guide" ? "/guide" : `/guide/${page}`) + hash;
  }
}
