import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { api, must } from "../../api/client";
import { dayOfYear } from "../../shared/time";
import { LinkIsOver, SharedPage, sharedToken } from "../papers/SharedPage";
import { SignForm } from "../papers/SignForm";
import { zone } from "../papers/usePapers";
import { Choices } from "./Choices";
import { noPicture } from "./quotes";

/** The quote as its owner reads it, chooses and signs, without signing in. */
export default function SharedQuote() {
  const token = sharedToken();
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
    <SharedPage
      shop={shop}
      says={`${
        choices.length > 0
          ? "Read it, then choose at its end and sign."
          : "Nothing is left to choose here: call the shop about anything in it."
      }${endsAt ? ` This page holds until ${dayOfYear(endsAt)}.` : ""}`}
      paper={quote}
      picture={() => null}
      fetchPicture={noPicture}
    >
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
    </SharedPage>
  );
}
