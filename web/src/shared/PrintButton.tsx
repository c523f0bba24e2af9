import Button from "@mui/material/Button";

/** Prints what the page shows. */
export const PrintButton = () => (
  <Button
    variant="outlined"
    onClick={() => {
      window.print();
    }}
  >
    Print it
  </Button>
);
