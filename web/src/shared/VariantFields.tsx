import TextField from "@mui/material/TextField";
import { shop } from "../api/job";
import type { Schemas } from "../api/client";
import { at } from "./ProblemNote";
import { usePlatforms } from "./usePlatforms";
import { aspects, variantLabels, type VariantText } from "./variant";

const fieldOf = (key: keyof VariantText) =>
  key === "engine" || key === "drive" ? key : `variant.${key}`;

/** Puts what is new on the platform's lists, so that the next vehicle is offered it; what is there in other letters the server knows. */
export async function keepOnLists(
  platform: Schemas["Platform"] | undefined,
  t: VariantText,
) {
  for (const aspect of platform ? aspects : []) {
    const value = t[aspect].trim();
    const list = platform?.variants?.find((v) => v.aspect === aspect)?.values;
    if (platform && value !== "" && !list?.includes(value)) {
      await shop({
        kind: "addVariant",
        platformId: platform.id,
        aspect,
        value,
      });
    }
  }
}

/** What tells a vehicle from others of its platform: chosen from the shop's list, or new on it. */
export function VariantFields({
  text,
  platformId,
  problem,
  onChange,
}: {
  text: VariantText;
  platformId: string;
  problem: Error | null;
  onChange: (text: VariantText) => void;
}) {
  const platform = usePlatforms().data?.find((p) => p.id === platformId);
  return (
    <>
      <TextField
        label={variantLabels.built}
        value={text.built}
        placeholder="year"
        onChange={(e) => {
          onChange({ ...text, built: e.target.value });
        }}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
        {...at(problem, "variant.built")}
      />
      {aspects.map((aspect) => {
        const list = platform?.variants?.find((v) => v.aspect === aspect);
        return (
          <span key={aspect} style={{ display: "contents" }}>
            <TextField
              label={variantLabels[aspect]}
              value={text[aspect]}
              onChange={(e) => {
                onChange({ ...text, [aspect]: e.target.value });
              }}
              {...at(problem, fieldOf(aspect))}
              slotProps={{ htmlInput: { list: `variant-${aspect}` } }}
            />
            <datalist id={`variant-${aspect}`}>
              {list?.values.map((v) => (
                <option key={v} value={v} />
              ))}
            </datalist>
          </span>
        );
      })}
    </>
  );
}
