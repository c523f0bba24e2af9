import Button, { type ButtonProps } from "@mui/material/Button";
import { useState } from "react";
import { useOnce } from "./useOnce";

/** A button that does something: while it is on its way it looks so, and pressing it again does nothing. */
export function Press({
  act,
  ...button
}: Omit<ButtonProps, "onClick"> & { act: () => Promise<unknown> }) {
  const once = useOnce();
  const [busy, setBusy] = useState(false);
  const press = () =>
    once(async () => {
      setBusy(true);
      try {
        await act();
      } finally {
        setBusy(false);
      }
    });
  // It stays where it is with its focus: a button that is switched off loses it.
  return <Button {...button} aria-busy={busy} onClick={() => void press()} />;
}
