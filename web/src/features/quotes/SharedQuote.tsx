import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { api, must } from "../../api/client";
import { PrintButton } from "../../shared/PrintButton";
import { dayOfYear } from "../../shared/time";
import { PaperSheet } from "../papers/PaperSheet";
import { SavePdf } from "../papers/SavePdf";
import { LinkIsOver } from "../papers/SharedRecord";
import { SignForm } from "../papers/SignForm";
import { zone } from "../papers/usePapers";
import { Choices } from "./Choices";

/** The quote as its owner reads it, without signing in: what opens it stands behind # and is sent in no address. */
export default function SharedQuote() {
  const token = window.location.hash.slice(1);
  const [chosen, setChosen] = useState<string | null>(null);
  // One try, however often it is sent.
  const [keys] = useState(() => ({ commandId: v7(), id: v7() }));
  const client = useQueryClient();
  const key = ["shared-quote", token];
  const shared = useQuery({
    queryKey: key,
    retry: false,
    queryFn: async () =>
      must(
        await api.POST("/api/shared/quote", { body: { token, zone: zone() } }),
      ),
  });
  if (shared.isPending) {
    return null;
  }
  if (shared.isError) {
    return <LinkIsOver why={shared.error} />;
  }
  const { shop, endsAt, quote, owner, choices } = shared.data;
  const choice = choices.find((c) => c.id === chosen);
  return (
    <Box
      component="main"
      sx={{ maxWidth: 900, mx: "auto", p: { xs: 1.5, sm: 3 } }}
    >
      <Box className="no-print" sx={{ mb: 2 }}>
        <Typography variant="h1">Quote, by {shop}</Typography>
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          {choices.length > 0
            ? "Read it, then choose at its end and sign."
            : "Nothing is left to choose here: call the shop about anything in it."}
          {endsAt && ` This page holds until ${dayOfYear(endsAt)}.`}
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <PrintButton />
          <SavePdf
            paper={quote}
            address={null}
            fetchPicture={() => Promise.reject(new Error("There is none."))}
          />
        </Box>
      </Box>
      <PaperSheet paper={quote} picture={() => null} />
      {choices.length > 0 && (
        <Box className="no-print" sx={{ mt: 2 }}>
          <Typography variant="h2">Your choice</Typography>
          <Choices
            choices={choices}
            says={(name) => `I choose ${name}`}
            chosen={chosen}
            onChoose={setChosen}
          />
          {choice && (
            <SignForm
              key={choice.id}
              signers={["owner", "driver"]}
              owner={owner}
              says={`Sign for ${choice.name}`}
              onSign={async (signed) => {
                const now = must(
                  await api.POST("/api/shared/quote/choose", {
                    body: {
                      token,
                      zone: zone(),
                      choice: {
                        ...keys,
                        offer: choice.id,
                        told: choice.told,
                        ...signed,
                      },
                    },
                  }),
                );
                client.setQueryData(key, now);
                window.scrollTo(0, 0);
              }}
              onLeave={() => {
                setChosen(null);
              }}
            />
          )}
        </Box>
      )}
    </Box>
  );
}
