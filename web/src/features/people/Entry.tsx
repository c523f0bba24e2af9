import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import TextField, { type TextFieldProps } from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { Press } from "../../shared/Press";

/** A page before anybody is signed in: a heading, fields, one press. */
export function Entry({
  heading,
  says,
  problem,
  press,
  act,
  children,
}: {
  heading: string;
  says: string;
  problem: string | null;
  press: string;
  act: () => Promise<unknown>;
  children: ReactNode;
}) {
  return (
    <Box
      component="main"
      sx={{ minHeight: "100dvh", display: "grid", placeItems: "center", p: 2 }}
    >
      <Box
        component="form"
        noValidate
        sx={{ width: "min(400px, 100%)", display: "grid", gap: 2 }}
        onSubmit={(e) => {
          // The button does it, so that two presses are one.
          e.preventDefault();
        }}
      >
        <Typography variant="h1">{heading}</Typography>
        <Typography color="text.secondary">{says}</Typography>
        {problem && <Alert severity="error">{problem}</Alert>}
        {children}
        <Press type="submit" variant="contained" act={act}>
          {press}
        </Press>
      </Box>
    </Box>
  );
}

/** A field with what was refused of it. */
export function Field({
  value,
  set,
  refused,
  helperText,
  ...field
}: Omit<TextFieldProps, "onChange" | "error"> & {
  value: string;
  set: (value: string) => void;
  refused: string | undefined;
}) {
  return (
    <TextField
      fullWidth={field.size !== "small"}
      {...field}
      value={value}
      error={refused !== undefined}
      helperText={refused ?? helperText}
      onChange={(e) => {
        set(e.target.value);
      }}
    />
  );
}
