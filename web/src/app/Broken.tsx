import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Component, type ReactNode } from "react";

/** What stands there when a page breaks: never an empty sheet, which says nothing of what became of the work. */
export class Broken extends Component<
  { children: ReactNode },
  { why: string | null }
> {
  override state: { why: string | null } = { why: null };

  static getDerivedStateFromError(error: unknown) {
    return { why: error instanceof Error ? error.message : String(error) };
  }

  override render() {
    return this.state.why === null ? (
      this.props.children
    ) : (
      <Box component="main" role="alert" sx={{ p: 3, maxWidth: 640 }}>
        <Typography variant="h1">This page broke</Typography>
        <Typography sx={{ my: 1.5 }}>
          The fault is ours. What was stored is stored, and what was still on
          its way waits on this device and is sent again. Load the page anew; if
          it breaks again, go on from the yard, and tell whoever looks after
          Nokko what you pressed and this: {this.state.why}
        </Typography>
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button
            variant="contained"
            onClick={() => {
              window.location.reload();
            }}
          >
            Load it anew
          </Button>
          <Button variant="outlined" href="/">
            To the yard
          </Button>
        </Box>
      </Box>
    );
  }
}
