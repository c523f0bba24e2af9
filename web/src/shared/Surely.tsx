import type { ButtonProps } from "@mui/material/Button";
import { useState } from "react";
import { Press } from "./Press";

/** What cannot be taken back is pressed twice: the second time it says what it does. */
export function Surely({
  says,
  sure,
  label,
  act,
  size = "small",
}: {
  says: string;
  /** What is done, as the second press says it. */
  sure: string;
  /** Accessible name of the first press, where its words alone are said more than once. */
  label?: string;
  act: () => Promise<unknown>;
  size?: ButtonProps["size"];
}) {
  const [asked, setAsked] = useState(false);
  return asked ? (
    <Press
      size={size}
      variant="contained"
      color="warning"
      act={async () => {
        await act();
        setAsked(false);
      }}
    >
      {sure}
    </Press>
  ) : (
    <Press
      size={size}
      {...(label ? { "aria-label": label } : {})}
      act={() => {
        setAsked(true);
        return Promise.resolve();
      }}
    >
      {says}
    </Press>
  );
}
