import { Problem } from "../../api/problem";

/** What a take-in cannot do without. */
interface Needed {
  plate: string;
  vin: string;
  make: string;
  name: string;
  platformId: string;
  ownerName: string;
  equipment: string;
  /** What carries it; null until somebody says what it is. */
  built: object | null;
  /** A vehicle that was here before. */
  known: object | null;
}

/** Everything that is missing is said at once, before anything is sent. */
export function missing(draft: Needed): Problem | null {
  const known = draft.known !== null;
  const said = [
    !known && draft.plate.trim() === "" && draft.vin.trim() === ""
      ? {
          field: "plate",
          message:
            "Note the plate or the VIN: one of them tells this vehicle from its sisters.",
        }
      : null,
    !known && draft.built === null
      ? { field: "sort", message: "What is it? Choose by the drawing." }
      : null,
    needed("make", draft.make, "What make is it?"),
    needed("name", draft.name, "What is the vehicle called?"),
    needed("platformId", draft.platformId, "Which platform is it?"),
    needed("ownerName", draft.ownerName, "Whose vehicle is it?"),
    needed("equipment", draft.equipment, "With what is it lifted here?"),
  ].filter((f) => f !== null);
  const [first, ...also] = said;
  return first
    ? new Problem(422, first.field, first.message, [], null, null, null, also)
    : null;
}

const needed = (field: string, typed: string, message: string) =>
  typed.trim() === "" ? { field, message } : null;

/** Whether a field lies folded away until somebody opens what is known already. */
export const isFolded = (field: string) =>
  /^(sizes|fitted|variant|target\.(least|most|tolerance))|^(engine|drive|carries|troubles)$/.test(
    field,
  );
