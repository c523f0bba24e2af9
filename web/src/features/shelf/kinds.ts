import type { Schemas } from "../../api/client";
import { partWords } from "../../api/words";

/** Kinds that lie on a shelf, in the order in which they stand in a stack. */
export const kindsOffered = (
  Object.keys(partWords) as Schemas["PartKind"][]
).filter((k) => partWords[k].offered);
