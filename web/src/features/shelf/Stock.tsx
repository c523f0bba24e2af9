import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { dayAndTime } from "../../shared/time";
import { useOnce } from "../../shared/useOnce";

/** How many came, below zero gone, as typed; what is no number is refused by the server in words. */
const moved = (text: string) =>
  /^\s*[+−-]?\d{1,6}\s*$/.test(text)
    ? Number.parseInt(text.replace("−", "-"), 10)
    : 0;

/** Pieces that came or are gone: added to what lies there, whoever else moved some meanwhile; and who moved them before. */
export function Stock({ part }: { part: Schemas["Part"] }) {
  const client = useQueryClient();
  const once = useOnce();
  const [by, setBy] = useState("");
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  // The same until it is kept: sent twice on a weak line, it counts once.
  const key = useRef(v7());
  const moves = useQuery({
    queryKey: ["parts", "moves", part.id],
    queryFn: async () =>
      must(
        await api.GET("/api/parts/{part}/moves", {
          params: { path: { part: part.id } },
        }),
      ),
  });
  return (
    <Box
      component="section"
      aria-label={`Stock of ${part.name}`}
      sx={{ flexBasis: "100%", pl: { sm: 7.5 }, pb: 1.5 }}
    >
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault();
          void once(async () => {
            setProblem(null);
            try {
              await shop(
                {
                  kind: "moveStock",
                  id: part.id,
                  by: moved(by),
                  why: why || null,
                },
                key.current,
              );
              key.current = v7();
              setBy("");
              setWhy("");
              await client.invalidateQueries({ queryKey: ["parts"] });
            } catch (refused) {
              // Perhaps it is stored: the same is sent again with the same key.
              setProblem(asError(refused));
            }
          });
        }}
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}
      >
        <TextField
          label="Came (+) or gone (−)"
          size="small"
          value={by}
          onChange={(e) => {
            key.current = v7();
            setBy(e.target.value);
          }}
          sx={{ width: 220 }}
          {...at(problem, "by")}
        />
        <TextField
          label="Why: delivered, broken"
          size="small"
          value={why}
          onChange={(e) => {
            key.current = v7();
            setWhy(e.target.value);
          }}
          sx={{ flex: "1 1 200px" }}
          {...at(problem, "why")}
        />
        <Button type="submit" variant="outlined">
          Keep it
        </Button>
      </Box>
      {at(problem, "by").error || at(problem, "why").error ? null : (
        <ProblemNote problem={problem} />
      )}
      {moves.data?.length === 0 && (
        <Typography color="text.secondary">
          Nobody moved any of it yet.
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {moves.data?.map((m) => (
          <Box
            component="li"
            key={`${m.at} ${m.left.toString()}`}
            sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5 }}
          >
            <Box sx={{ fontWeight: 700, minWidth: 44 }}>
              {m.by > 0 ? "+" : "−"}
              {Math.abs(m.by)}
            </Box>
            <Box sx={{ minWidth: 64 }}>{m.left} left</Box>
            <Box sx={{ flex: 1, minWidth: 160 }}>
              {m.jobId ? <Link to={`/jobs/${m.jobId}`}>{m.does}</Link> : m.does}
              , {m.person ?? "somebody who has left"}
            </Box>
            <Box sx={{ color: "text.secondary" }}>{dayAndTime(m.at)}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
