import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect, type MouseEvent } from "react";
import { Link as To, useLocation, useNavigate, useParams } from "react-router";
import type { DocPage } from "./page";

const found = import.meta.glob<DocPage>(
  "../../../../docs/{guide,computation/*,formats/*}.md",
  { query: "?page", import: "default" },
);

/** The guide, how everything is computed, and the formats: as they lie beside the program. */
export default function GuideView() {
  const { "*": name = "" } = useParams();
  const { hash } = useLocation();
  const navigate = useNavigate();
  const { data: page } = useQuery({
    queryKey: ["guide", name],
    staleTime: Infinity,
    queryFn: async () =>
      (await found[`../../../../docs/${name || "guide"}.md`]?.()) ?? null,
  });
  useEffect(() => {
    if (page && hash) {
      const at = document.getElementById(decodeURIComponent(hash.slice(1)));
      at?.setAttribute("tabindex", "-1");
      at?.focus();
      at?.scrollIntoView();
    }
  }, [page, hash]);
  if (page === undefined) {
    return null;
  }
  if (page === null) {
    return (
      <Typography component="main" sx={{ p: 4 }}>
        There is no such page.{" "}
        <Link component={To} to="/guide">
          Guide
        </Link>
      </Typography>
    );
  }
  const follow = (e: MouseEvent) => {
    const href = (e.target as Element).closest("a")?.getAttribute("href");
    if (href?.startsWith("/") && !e.ctrlKey && !e.metaKey && !e.shiftKey) {
      e.preventDefault();
      void navigate(href);
    }
  };
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "250px minmax(0,1fr)" },
        gap: { xs: 1, md: 4 },
        px: { xs: 1.5, sm: 3 },
        py: 2,
        maxWidth: 1280,
      }}
    >
      <Box
        component="nav"
        aria-label="On this page"
        className="no-print"
        sx={{
          position: { md: "sticky" },
          top: 0,
          alignSelf: "start",
          maxHeight: { xs: 220, md: "100dvh" },
          overflowY: "auto",
          py: 1,
        }}
      >
        {name !== "" && (
          <Link component={To} to="/guide" sx={{ display: "block", mb: 1 }}>
            ← Guide
          </Link>
        )}
        {page.headings
          .filter((h) => h.level === 2 || h.level === 3)
          .map((h) => (
            <Link
              key={h.id}
              component={To}
              to={`#${h.id}`}
              color="text.primary"
              sx={{
                display: "block",
                py: 0.6,
                pl: (h.level - 2) * 2,
                fontWeight: h.level === 2 ? 650 : 400,
              }}
            >
              <span dangerouslySetInnerHTML={{ __html: h.text }} />
            </Link>
          ))}
      </Box>
      <Box
        component="main"
        onClick={follow}
        // Made from the files beside the program when it was built.
        dangerouslySetInnerHTML={{ __html: page.html }}
        sx={{
          maxWidth: "46rem",
          lineHeight: 1.5,
          overflowWrap: "break-word",
          "& h1": { fontSize: "1.6rem", mt: 0 },
          "& h2": { fontSize: "1.25rem", mt: 4, mb: 1 },
          "& h3": { fontSize: "1.05rem", mt: 3, mb: 1 },
          "& :is(h1,h2,h3):focus": { outline: "none" },
          "& a": { color: "primary.main" },
          "& table": {
            display: "block",
            overflowX: "auto",
            borderCollapse: "collapse",
            my: 1.5,
          },
          "& :is(th,td)": {
            borderTop: 1,
            borderColor: "divider",
            textAlign: "left",
            verticalAlign: "top",
            py: 0.5,
            pr: 2,
          },
          "& pre": {
            overflowX: "auto",
            bgcolor: "background.paper",
            border: 1,
            borderColor: "divider",
            p: 1.5,
          },
        }}
      />
    </Box>
  );
}
