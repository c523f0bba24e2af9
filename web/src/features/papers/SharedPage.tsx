import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { PrintButton } from "../../shared/PrintButton";
import { PaperSheet } from "./PaperSheet";
import { SavePdf } from "./SavePdf";

/** What stands behind # in a shared link: it opens one thing, and is sent in no address. */
export const sharedToken = () => window.location.hash.slice(1);

/** A paper as somebody reads it who is not signed in. */
export function SharedPage({
  shop,
  says,
  paper,
  picture,
  fetchPicture,
  children,
}: {
  shop: string;
  /** What can be done here, and until when. */
  says: string;
  paper: Schemas["Paper"];
  /** Where a photograph is found; null is not there yet. */
  picture: (sha256: string) => string | null;
  fetchPicture: (sha256: string) => Promise<Blob>;
  children?: ReactNode;
}) {
  return (
    <Box
      component="main"
      sx={{ maxWidth: 900, mx: "auto", p: { xs: 1.5, sm: 3 } }}
    >
      <Box className="no-print" sx={{ mb: 2 }}>
        <Typography variant="h1">
          {paper.title}, by {shop}
        </Typography>
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          {says}
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <PrintButton />
          <SavePdf paper={paper} address={null} fetchPicture={fetchPicture} />
        </Box>
      </Box>
      <PaperSheet paper={paper} picture={picture} />
      {children}
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
