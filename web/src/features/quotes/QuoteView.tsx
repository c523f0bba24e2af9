import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { draftPlans, quoteNow } from "../../api/document";
import { useJob, useOutbox, useSend } from "../../api/job";
import { lettersOf } from "../../api/letters";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { PrintButton } from "../../shared/PrintButton";
import { useAddress } from "../../shared/useAddress";
import { BesidePaper } from "../papers/BesidePaper";
import { OwnersLink } from "../papers/OwnersLink";
import { PaperSheet } from "../papers/PaperSheet";
import { SavePdf } from "../papers/SavePdf";
import { SignForm } from "../papers/SignForm";
import { usePapers } from "../papers/usePapers";
import { Choices } from "./Choices";
import { OfferPlans } from "./OfferPlans";
import { noPicture } from "./quotes";

/** Plans that are offered to the owner side by side, and the choice, signed; beside it the quote as it will print. */
export default function QuoteView() {
  const d = useJob().document;
  const { failing, letters } = useOutbox();
  const quote = quoteNow(d);
  const waits = lettersOf(letters, "makeQuote").some((c) =>
    d.plans.some((p) => c.plans.includes(p.id)),
  );
  return (
    <BesidePaper paper={<Sheet />}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline" }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Offer it to the owner
        </Typography>
        <Button component={Link} to="../plan">
          Back to the plan
        </Button>
      </Box>
      {quote && <ChooseHere quote={quote} />}
      {waits && failing && (
        <Typography role="status" sx={{ fontWeight: 600 }}>
          ▲ Kept here, not yet at the server: the quote is written when it is
          there.
        </Typography>
      )}
      <OfferPlans plans={draftPlans(d)} quote={quote} />
      {quote && <OwnersLink opens="quote" />}
    </BesidePaper>
  );
}

/** The choice, signed beside the vehicle. */
function ChooseHere({ quote }: { quote: Schemas["Quote"] }) {
  const d = useJob().document;
  const send = useSend();
  const { failing, letters } = useOutbox();
  const choices = usePapers().data?.choices ?? [];
  const [chosen, setChosen] = useState<Schemas["Choice"] | null>(null);
  if (
    failing &&
    lettersOf(letters, "chooseOffer").some((c) =>
      quote.offers.some((o) => o.id === c.offer),
    )
  ) {
    return (
      <Typography role="status" sx={{ my: 1, fontWeight: 600 }}>
        ▲ The choice is kept here, signed: it stands when it is at the server.
      </Typography>
    );
  }
  if (quote.chosenOffer !== null) {
    const offer = quote.offers.find((o) => o.id === quote.chosenOffer);
    const by = d.signatures.find((s) => s.offerId === quote.chosenOffer)?.name;
    return (
      <Typography sx={{ my: 1 }}>
        ✓ <b>{offer?.name}</b> was chosen
        {by !== undefined && ` by ${by}`}. It is the plan that is fitted.
      </Typography>
    );
  }
  const open = choices.filter((c) => c.whyNot === null);
  const stale = [...new Set(choices.flatMap((c) => c.whyNot ?? []))];
  return (
    <Box component="section" aria-label="The owner’s choice" sx={{ my: 1 }}>
      {stale.map((says) => (
        <Typography key={says} sx={{ fontWeight: 600 }}>
          ▲ {says}
        </Typography>
      ))}
      <Choices
        choices={open}
        says={(name) => `The owner chooses ${name}`}
        chosen={chosen?.id ?? null}
        onChoose={(id) => {
          setChosen(open.find((o) => o.id === id) ?? null);
        }}
      />
      {chosen && (
        <SignForm
          key={chosen.id}
          signers={["owner", "driver"]}
          owner={d.owner.name}
          says={`Choose ${chosen.name}`}
          onSign={async (signed) => {
            await send(
              {
                kind: "chooseOffer",
                id: v7(),
                offer: chosen.id,
                told: [...chosen.told],
                ...signed,
              },
              "the choice",
            );
            setChosen(null);
          }}
          onLeave={() => {
            setChosen(null);
          }}
        />
      )}
    </Box>
  );
}

function Sheet() {
  const { job } = useJob().document;
  const papers = usePapers();
  const here = useAddress();
  if (!papers.data) {
    return papers.isError ? <NeedsNetwork why={papers.error} /> : null;
  }
  const paper = papers.data.quote;
  if (!paper) {
    return null;
  }
  return (
    <Box>
      <Box
        className="no-print"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}
      >
        <PrintButton />
        <SavePdf
          paper={paper}
          address={`${here?.address ?? window.location.origin}/jobs/${job.id}/plan/quote`}
          fetchPicture={noPicture}
        />
      </Box>
      <PaperSheet paper={paper} picture={() => null} />
    </Box>
  );
}
