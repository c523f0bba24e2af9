import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Press } from "../../shared/Press";
import { api, must } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { dayAndTime, timeOfDay } from "../../shared/time";

/** As many as the server sends at once. */
const pageOf = 200;

function useHistory(enabled: boolean) {
  const job = useJob().document.job.id;
  return useInfiniteQuery({
    queryKey: ["history", job],
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam: before }) =>
      must(
        await api.GET("/api/jobs/{job}/history", {
          params: { path: { job }, query: { before } },
        }),
      ),
    getNextPageParam: (page) =>
      page.length === pageOf ? page.at(-1)?.id : undefined,
    enabled,
    staleTime: 0,
  });
}

/** Takes a change back. */
function useTakeBack() {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const takeBack = async (line: { id: string; kind: string }) => {
    setProblem(null);
    try {
      await send(
        { kind: "takeBack", change: line.id },
        `taking back: ${line.kind}`,
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return { takeBack, problem };
}

/** Who did what, newest first; what is younger than an hour can be taken back, and what was thrown away for 90 days. */
export function History() {
  const [open, setOpen] = useState(false);
  const history = useHistory(open);
  const { takeBack, problem } = useTakeBack();
  const [find, setFind] = useState("");
  const all = history.data?.pages.flat() ?? [];
  const words = find.trim().toLowerCase().split(/\s+/);
  const lines = all.filter((h) => {
    const text =
      `${dayAndTime(h.at)} ${h.person} ${h.kind} ${h.about}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
  return (
    <Box
      component="details"
      sx={{ mt: 2.5 }}
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
    >
      <Typography variant="h2" component="summary" sx={{ py: 1.5 }}>
        History
      </Typography>
      <ProblemNote problem={problem} />
      <TextField
        size="small"
        label="Find in it: person, joint, reading, day"
        value={find}
        onChange={(e) => {
          setFind(e.target.value);
        }}
        sx={{ maxWidth: 420, mb: 1 }}
      />
      <Box
        component="ol"
        aria-label="Changes"
        sx={{
          my: 0,
          pl: 0,
          listStyle: "none",
          maxHeight: 420,
          overflowY: "auto",
        }}
      >
        {lines.map((h) => (
          <Box
            component="li"
            key={h.id}
            sx={{ borderTop: 1, borderColor: "divider", py: 0.5 }}
          >
            <Box component="span" sx={{ color: "text.secondary" }}>
              {dayAndTime(h.at)}, {h.person}:
            </Box>{" "}
            {h.takenBack ? <s>{h.kind}</s> : h.kind}
            {h.about && `: ${h.about}`}
            {h.takenBack && " (taken back)"}
            {h.canTakeBack && (
              <Press
                size="small"
                aria-label={`Take back: ${h.kind}, ${timeOfDay(h.at)}`}
                act={() => takeBack(h)}
              >
                Take back
              </Press>
            )}
          </Box>
        ))}
      </Box>
      {open && lines.length === 0 && all.length > 0 && (
        <Typography>Nothing here says that.</Typography>
      )}
      {history.hasNextPage && (
        <Press sx={{ mt: 1 }} act={() => history.fetchNextPage()}>
          Earlier ones
        </Press>
      )}
    </Box>
  );
}

/** One press takes the newest change of the last hour back. */
export function TakeBackLast() {
  const history = useHistory(true);
  const { takeBack, problem } = useTakeBack();
  // What was thrown away comes back for longer, but not from beside the hands.
  const last = history.data?.pages[0]?.find(
    (h) => h.canTakeBack && Date.now() - Date.parse(h.at) < 3_600_000,
  );
  return (
    <>
      {last && (
        <Press size="small" color="inherit" act={() => takeBack(last)}>
          Take back: {last.kind}
        </Press>
      )}
      <ProblemNote problem={problem} />
    </>
  );
}
