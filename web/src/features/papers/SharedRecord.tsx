import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQueries, useQuery } from "@tanstack/react-query";
import { api, must } from "../../api/client";
import { Problem } from "../../api/problem";
import { PrintButton } from "../../shared/PrintButton";
import { dayOfYear } from "../../shared/time";
import { PaperSheet } from "./PaperSheet";
import { SavePdf } from "./SavePdf";
import { zone } from "./usePapers";

async function fetchPicture(token: string, sha256: string): Promise<Blob> {
  const answer = await fetch("/api/shared/picture", {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ token, sha256 }),
  });
  if (!answer.ok) {
    throw new Error("The photograph does not come.");
  }
  return answer.blob();
}

/** The record as its owner reads it, without signing in. What opens it stands behind # and is sent in no address. */
export default function SharedRecord() {
  const token = window.location.hash.slice(1);
  const record = useQuery({
    queryKey: ["shared-record", token],
    retry: false,
    queryFn: async () =>
      must(
        await api.POST("/api/shared/record", {
          body: { token, zone: zone() },
        }),
      ),
  });
  const names = [
    ...new Set(
      (record.data?.record.sections ?? []).flatMap((s) =>
        s.pictures.map((p) => p.sha256),
      ),
    ),
  ];
  const pictures = useQueries({
    queries: names.map((sha256) => ({
      queryKey: ["shared-picture", token, sha256],
      staleTime: Infinity,
      queryFn: async () =>
        URL.createObjectURL(await fetchPicture(token, sha256)),
    })),
  });
  if (record.isPending) {
    return null;
  }
  if (record.isError) {
    return <LinkIsOver why={record.error} />;
  }
  const { shop, endsAt, record: paper } = record.data;
  return (
    <Box
      component="main"
      sx={{ maxWidth: 900, mx: "auto", p: { xs: 1.5, sm: 3 } }}
    >
      <Box className="no-print" sx={{ mb: 2 }}>
        <Typography variant="h1">Record, by {shop}</Typography>
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          To be read{endsAt && ` until ${dayOfYear(endsAt)}`}. Ask the shop
          about anything in it.
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <PrintButton />
          <SavePdf
            paper={paper}
            address={null}
            fetchPicture={(sha256) => fetchPicture(token, sha256)}
          />
        </Box>
      </Box>
      <PaperSheet
        paper={paper}
        picture={(sha256) => pictures[names.indexOf(sha256)]?.data ?? null}
      />
    </Box>
  );
}

/** Where a link opens nothing, or the server does not answer. */
export function LinkIsOver({ why }: { why: Error }) {
  return (
    <Box component="main" sx={{ p: 4 }}>
      <Typography variant="h1">This link opens nothing</Typography>
      <Typography sx={{ mt: 1 }}>
        {why instanceof Problem
          ? why.message
          : "The server does not answer. Try again in a moment."}
      </Typography>
    </Box>
  );
}
