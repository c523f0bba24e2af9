import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { v7 } from "uuid";
import { shop } from "../../api/job";
import { at } from "../../shared/ProblemNote";
import { usePlatforms } from "../../shared/usePlatforms";

/** A platform that is not on the list yet. */
const another = "another";

/** The platform of a vehicle: one of the shop's list, or a new one by its name. */
export function PlatformChoice({
  id,
  name,
  problem,
  onChange,
}: {
  id: string;
  /** Name of a new one. */
  name: string;
  problem: Error | null;
  onChange: (id: string, name: string) => void;
}) {
  const platforms = usePlatforms().data ?? [];
  const refused = at(problem, "platformId");
  return (
    <>
      <TextField
        select
        label="Platform"
        value={id}
        onChange={(e) => {
          onChange(e.target.value, name);
        }}
        error={refused.error}
        helperText={refused.helperText ?? "All that share this suspension"}
      >
        {platforms.map((p) => (
          <MenuItem key={p.id} value={p.id}>
            {p.name}
          </MenuItem>
        ))}
        <MenuItem value={another}>A new one …</MenuItem>
      </TextField>
      {id === another && (
        <TextField
          label="Name of the new platform"
          value={name}
          onChange={(e) => {
            onChange(id, e.target.value);
          }}
        />
      )}
    </>
  );
}

/** Finds what was chosen, with its lists; a new one is put on the shop's list first, one of the same name is that one. */
export function usePlatformOf() {
  const platforms = usePlatforms();
  return async (id: string, name: string) => {
    if (id !== another) {
      return {
        // Nothing chosen is refused by the server, at its field.
        id: id || null,
        lists: platforms.data?.find((p) => p.id === id),
      };
    }
    if (name.trim() === "") {
      return { id: null, lists: undefined };
    }
    await shop({ kind: "savePlatform", id: v7(), name });
    const { data } = await platforms.refetch();
    const lists = data?.find((p) => p.name === name.trim());
    return { id: lists?.id ?? null, lists };
  };
}
