import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { movedWords } from "../../api/words";
import { ResultLength } from "../../shared/Length";
import { numberSays } from "../bench/bench";
import { titleOf } from "../geometry/geometry";

/** What else the plan moved: foretold before the work, measured before and after. */
export function Moved({ moved }: { moved: Schemas["MovedProof"][] }) {
  if (moved.length === 0) {
    return null;
  }
  return (
    <Box
      component="table"
      aria-label="Geometry"
      sx={{
        borderCollapse: "collapse",
        mt: 1.5,
        "& th, & td": { pr: 2, py: 0.4, textAlign: "left" },
        "& thead th": { borderBottom: 2, fontSize: "0.85em" },
        "& tbody tr": { borderBottom: 1, borderColor: "divider" },
      }}
    >
      <thead>
        <tr>
          <th scope="col">Geometry</th>
          <th scope="col">– – Foretold</th>
          <th scope="col">— Measured</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {moved.map((m) => (
          <tr key={`${m.where} ${m.kind}`}>
            <th scope="row">
              {m.where === "vehicle" ? titleOf(m) : titleOf(m).split(" ")[0]}:{" "}
              {movedWords[m.kind] ?? ""}
            </th>
            <td>
              <Change result={m.foretold} />
              {m.foretold.known === "archetype" && " ?"}
            </td>
            <td>
              <b>
                <Change result={m.measured} />
              </b>
            </td>
            <td>
              {m.asForetold === null
                ? ""
                : m.asForetold
                  ? "● as foretold"
                  : "▲ otherwise than foretold"}
            </td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

const Change = ({ result }: { result: Schemas["Result"] }) =>
  result.unit === "mm" ? (
    <ResultLength result={result} signed />
  ) : (
    numberSays(result)
  );
