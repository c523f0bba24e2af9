import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { begunPlan } from "../../api/document";
import { useJob } from "../../api/job";
import { PrintButton } from "../../shared/PrintButton";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { useAddress } from "../../shared/useAddress";
import { BesidePaper } from "../papers/BesidePaper";
import { OwnersLink } from "../papers/OwnersLink";
import { PaperSheet } from "../papers/PaperSheet";
import { SavePdf } from "../papers/SavePdf";
import { usePapers } from "../papers/usePapers";
import { AlignmentBack } from "./AlignmentBack";
import { BeforeAfter } from "./BeforeAfter";
import { Comeback } from "./Comeback";
import { FollowUps } from "./FollowUps";
import { HandOverForm } from "./HandOverForm";
import { RoadTest } from "./RoadTest";
import { ToldAndSigned } from "./ToldAndSigned";
import { practice } from "../../api/practice";
import { PractiseThis } from "../practice/PractiseThis";
import { Doubts } from "../instruments/Doubts";

/** Where a photograph of the shop lies. */
const picture = (sha256: string) => `/api/files/${sha256}`;

/** The drive, what is told and signed, the hand-over and what is to come; beside it the papers as they will print. */
export default function HandOverView() {
  const d = useJob().document;
  const { job } = d;
  const [saved, setSaved] = useState(0);
  return (
    <BesidePaper paper={<Papers />}>
      <Typography variant="h1">Hand over</Typography>
      <Doubts />
      <Comeback
        onSaved={() => {
          setSaved((n) => n + 1);
        }}
      />
      {job.handedOverAt ? (
        <FollowUps />
      ) : (
        <>
          {begunPlan(d) && <RoadTest after />}
          <ToldAndSigned />
          <HandOverForm key={saved} />
        </>
      )}
      {job.handedOverAt && <ToldAndSigned />}
      {begunPlan(d) && <AlignmentBack />}
      {begunPlan(d) && <BeforeAfter />}
      <OwnersLink opens="record" />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 2 }}>
        <Button variant="outlined" href={`/api/jobs/${job.id}/file`} download>
          Take the job file out
        </Button>
        <Button href={`/api/jobs/${job.id}/file?bare=true`} download>
          Without names, plates and photographs
        </Button>
        {job.handedOverAt !== null && practice === null && (
          <PractiseThis job={job.id} />
        )}
      </Box>
    </BesidePaper>
  );
}

function Papers() {
  const { job } = useJob().document;
  const papers = usePapers();
  const here = useAddress();
  const [which, setWhich] = useState<"record" | "alignment">("record");
  if (!papers.data) {
    return papers.isError ? <NeedsNetwork why={papers.error} /> : null;
  }
  const { record, alignment } = papers.data;
  const paper = which === "alignment" && alignment ? alignment : record;
  const root = here?.address ?? window.location.origin;
  return (
    <Box>
      <Box
        className="no-print"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}
      >
        {alignment && (
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="Paper"
            value={which}
            onChange={(_, next: "record" | "alignment" | null) => {
              setWhich(next ?? which);
            }}
          >
            <ToggleButton value="record">{record.title}</ToggleButton>
            <ToggleButton value="alignment">{alignment.title}</ToggleButton>
          </ToggleButtonGroup>
        )}
        <PrintButton />
        <SavePdf
          paper={paper}
          address={`${root}/jobs/${job.id}/hand-over`}
          fetchPicture={async (sha256) => (await fetch(picture(sha256))).blob()}
        />
      </Box>
      <PaperSheet paper={paper} picture={picture} />
    </Box>
  );
}
