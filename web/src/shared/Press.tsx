import Button, { type ButtonProps } from "@mui/material/Button";
import { useOnce } from "./useOnce";

/** A button that does something: what is pressed again while it is on its way does nothing. */
export function Press({
  act,
  ...button
}: Omit<ButtonProps, "onClick"> & { act: () => Promise<unknown> }) {
  const once = useOnce();
  return <Button {...button} onClick={() => void once(act)} />;
}
