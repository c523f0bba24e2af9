import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useJob } from "../../api/job";
import { FollowUps } from "./FollowUps";
import { HandOverForm } from "./HandOverForm";
import { Record } from "./Record";

/** The record as it will print, and what is to come. */
export default function HandOverView() {
  const { job } = useJob().document;
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1fr) minmax(0,1.35fr)",
        },
        "@media print": { display: "block" },
      }}
    >
      <Box className="no-print">
        <Typography variant="h1">Hand over</Typography>
        {job.handedOverAt ? <FollowUps /> : <HandOverForm />}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 2 }}>
          <Button
            variant="outlined"
            onClick={() => {
              window.print();
            }}
          >
            Print the record
          </Button>
          <Button variant="outlined" href={`/api/jobs/${job.id}/file`} download>
            Take the job file out
          </Button>
        </Box>
      </Box>
      <Record />
    </Box>
  );
}
