import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { placeOf, share, spanOf, type View, type Week } from "./week";

/** What each pair of hands does: leads, or lends a hand. */
export function Hands({ view, week }: { view: View; week: Week }) {
  return (
    <Box sx={{ borderTop: 1, borderColor: "divider", pt: 0.5 }}>
      {view.people.map((p) => {
        const his = view.jobs.filter(
          (b) => b.plan && b.booking.people.includes(p.id),
        );
        return (
          <Box
            key={p.id}
            sx={{
              display: "grid",
              gridTemplateColumns: "var(--name) 1fr",
              alignItems: "center",
            }}
          >
            <Typography sx={{ fontSize: "0.9rem", pr: 1, lineHeight: 1.2 }}>
              {p.name}
              {p.role === "apprentice" && (
                <Box component="span" sx={{ color: "text.secondary" }}>
                  , apprentice
                </Box>
              )}
            </Typography>
            <Box
              sx={{ position: "relative", height: 26 }}
              role="img"
              aria-label={`${p.name}: ${his.map((b) => `${b.booking.people[0] === p.id ? "leads" : "lends a hand at"} ${b.name}`).join(", ") || "free"}`}
            >
              {his.map((b) => {
                const { from, until } = spanOf(b);
                const left = placeOf(from, week, view.hours);
                const leads = b.booking.people[0] === p.id;
                return (
                  <Box
                    key={b.job}
                    aria-hidden
                    sx={{
                      position: "absolute",
                      left: share(left),
                      width: share(placeOf(until, week, view.hours) - left),
                      top: leads ? 2 : 14,
                      height: leads ? 20 : 9,
                      overflow: "hidden",
                      whiteSpace: "nowrap",
                      fontSize: "0.75rem",
                      lineHeight: 1.5,
                      px: 0.25,
                      borderLeft: 2,
                      borderBottom: leads ? 2 : 1,
                      borderStyle: leads ? "solid" : "dashed",
                      borderWidth: "0 0 2px 2px",
                    }}
                  >
                    {leads && b.name}
                  </Box>
                );
              })}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
