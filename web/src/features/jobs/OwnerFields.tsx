import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useId } from "react";
import { api, must } from "../../api/client";
import { at } from "../../shared/ProblemNote";

/** Whose vehicle it is: who was here before is offered as the name is typed, and brings the phone along. */
export function OwnerFields({
  name,
  contact,
  problem,
  onChange,
}: {
  name: string;
  contact: string;
  problem: Error | null;
  onChange: (name: string, contact: string) => void;
}) {
  const list = useId();
  const asked = useDeferredValue(name.trim());
  const found = useQuery({
    queryKey: ["owners", asked],
    queryFn: async () =>
      must(
        await api.GET("/api/owners", { params: { query: { find: asked } } }),
      ),
    enabled: asked.length >= 2,
    retry: false,
  });
  const owners = found.data ?? [];
  return (
    <>
      <TextField
        label="Owner"
        value={name}
        autoComplete="off"
        onChange={(e) => {
          const typed = e.target.value;
          const known = owners.find((o) => o.name === typed);
          onChange(typed, contact === "" ? (known?.contact ?? "") : contact);
        }}
        slotProps={{ htmlInput: { list } }}
        {...at(problem, "ownerName")}
      />
      <datalist id={list}>
        {owners.map((o) => (
          <option key={`${o.name} ${o.contact ?? ""}`} value={o.name}>
            {o.contact}
          </option>
        ))}
      </datalist>
      <TextField
        label="Phone or mail"
        value={contact}
        onChange={(e) => {
          onChange(name, e.target.value);
        }}
        {...at(problem, "ownerContact")}
      />
    </>
  );
}
