import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect, useState } from "react";
import { Link as To, useLocation, useNavigate } from "react-router";
import { useMe } from "../../api/job";
import { lastJob } from "../../shared/lastJob";
import { everywhere, helpOf, type PageHelp } from "./pages";

/** Whether a key goes into what is being typed. */
const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Keys of the page that is open, and the way to what the guide says of it: by ? or by its button. */
export function KeysHere() {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const page = helpOf(pathname);
  const person = useMe().data?.personId;
  const navigate = useNavigate();
  useEffect(() => {
    const pressed = (e: KeyboardEvent) => {
      if (e.key === "?" && !typing(e.target)) {
        e.preventDefault();
        setOpen(true);
      } else if (e.key === "F2" && person !== undefined) {
        const last = lastJob(person);
        if (last) {
          e.preventDefault();
          void navigate(last.path);
        }
      }
    };
    document.addEventListener("keydown", pressed);
    return () => {
      document.removeEventListener("keydown", pressed);
    };
  }, [person, navigate]);
  const close = () => {
    setOpen(false);
  };
  return (
    <>
      <Button
        size="small"
        color="inherit"
        aria-label="? Keys and guide of this page"
        aria-keyshortcuts="?"
        onClick={() => {
          setOpen(true);
        }}
        sx={{ minWidth: 40, fontWeight: 800 }}
      >
        ?
      </Button>
      <Dialog open={open} onClose={close} aria-labelledby="keys-here">
        <DialogTitle id="keys-here">{page?.title ?? "This page"}</DialogTitle>
        <DialogContent>
          {page && page.keys.length > 0 && (
            <Keys of={page.keys} label="Keys of this page" />
          )}
          <Keys of={everywhere} label="Keys everywhere" />
        </DialogContent>
        <DialogActions>
          <Button
            component={To}
            to={`/guide#${page?.section ?? "a-job-with-nokko"}`}
            onClick={close}
          >
            What the guide says of it
          </Button>
          <Button onClick={close}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

function Keys({ of, label }: { of: PageHelp["keys"]; label: string }) {
  return (
    <Box component="dl" aria-label={label} sx={{ m: 0, mt: 1 }}>
      {of.map(([keys, does]) => (
        <Box
          key={keys + does}
          sx={{
            display: "grid",
            gridTemplateColumns: "9rem minmax(0,1fr)",
            gap: 1.5,
            py: 0.6,
            borderTop: 1,
            borderColor: "divider",
          }}
        >
          <Box component="dt" sx={{ fontWeight: 700 }}>
            {keys}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {does}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
