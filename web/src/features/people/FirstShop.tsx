import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api } from "../../api/client";
import { useAsk } from "./ask";
import { Entry, Field } from "./Entry";
import { useSignedIn } from "./useSigningIn";

/** The first start: a shop and its first person, with the code that the start printed. */
export function FirstShop() {
  const signedIn = useSignedIn();
  const { ask, at, rest } = useAsk();
  const [body, setBody] = useState({
    code: "",
    shop: "",
    name: "",
    userName: "",
    password: "",
    lengthUnit: "in",
    // Its clock is that of where it is opened.
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
  const field = (name: keyof typeof body) => ({
    value: body[name],
    set: (value: string) => {
      setBody((was) => ({ ...was, [name]: value }));
    },
    refused: at(name),
  });
  return (
    <Entry
      heading="A new shop"
      says="Nobody is here yet. Name the shop and yourself: you are its owner, and let the others in afterwards."
      problem={rest(Object.keys(body))}
      press="Open the shop"
      act={async () => {
        if (await ask(() => api.POST("/api/first", { body }))) {
          await signedIn();
        }
      }}
    >
      <Field
        label="Code"
        autoFocus
        autoComplete="off"
        helperText="It stands where Nokko was started."
        {...field("code")}
      />
      <Field label="Shop" autoComplete="organization" {...field("shop")} />
      <Field
        label="Your name"
        autoComplete="name"
        helperText="As it stands on records."
        {...field("name")}
      />
      <Field
        label="Name to sign in with"
        autoComplete="username"
        {...field("userName")}
      />
      <Field
        label="Password"
        type="password"
        autoComplete="new-password"
        helperText="At least 8 letters: several words are best."
        {...field("password")}
      />
      <TextField
        select
        label="You read lengths in"
        value={body.lengthUnit}
        onChange={(e) => {
          setBody((was) => ({ ...was, lengthUnit: e.target.value }));
        }}
      >
        <MenuItem value="in">inches and fractions</MenuItem>
        <MenuItem value="mm">millimetres</MenuItem>
      </TextField>
    </Entry>
  );
}
