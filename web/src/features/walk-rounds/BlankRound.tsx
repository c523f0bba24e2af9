import { useJob } from "../../api/job";
import { datumWords, modeWords, settledWords } from "./conditions/conditions";
import { measureTitle, placeWords } from "./measures/measures";
import { useCatalogue } from "./measures/useCatalogue";
import { orderOf, stationWords, usualDatum } from "./reading/useEntry";

/** The next walk-round of this vehicle as a blank sheet: conditions to tick, stations and asked measures in the order in which they are typed back. */
export function BlankRound() {
  const view = useJob();
  const d = view.document;
  const catalogue = useCatalogue();
  const last = d.walkRounds
    .filter((w) => !w.fromDocument && !w.told)
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  const stations = last
    ? orderOf(last, d.vehicle)
    : d.vehicle.stations.map((s) => s.name);
  const asked = view.asked.filter((a) => !a.done);
  const box = "☐ ";
  return (
    <>
      <p>
        Rolled before the tape comes out? Hook on the edge, eye level with the
        mark. Nothing of an earlier reading stands here, so that none leads the
        eye. It is typed back in this order.
      </p>
      <table>
        <tbody>
          <tr>
            <td style={{ width: "9em" }}>Came to rest</td>
            <td>
              {Object.values(settledWords).map((s) => (
                <span key={s} style={{ marginRight: "1.2em" }}>
                  {box}
                  {s}
                </span>
              ))}
            </td>
          </tr>
          <tr>
            <td>Hub centres</td>
            <td>{box}marked</td>
          </tr>
          <tr>
            <td>Stands on</td>
            <td>____________________ {box}floor surveyed</td>
          </tr>
          <tr>
            <td>Fuel, load, people</td>
            <td>__________ / ____________________ / ____</td>
          </tr>
          <tr>
            <td>Pressures</td>
            <td>LF ______ RF ______ LR ______ RR ______</td>
          </tr>
          <tr>
            <td>On by itself</td>
            <td>
              {Object.values(modeWords).map((m) => (
                <span key={m} style={{ marginRight: "1.2em" }}>
                  {box}
                  {m}
                </span>
              ))}
            </td>
          </tr>
          <tr>
            <td>Odometer</td>
            <td>______________</td>
          </tr>
          <tr>
            <td>Tape</td>
            <td>______________ divided in ________</td>
          </tr>
        </tbody>
      </table>
      <h3>Heights</h3>
      <table>
        <thead>
          <tr>
            <th />
            <th>Station</th>
            <th>From</th>
            <th>Reads</th>
            <th>Again</th>
            <th>If more than 1/8 in (3 mm) apart</th>
          </tr>
        </thead>
        <tbody>
          {stations.map((station, i) => (
            <tr key={station} style={{ height: "2.2em" }}>
              <td style={{ width: "2em" }}>{i + 1}</td>
              <td>{stationWords(station)}</td>
              <td>
                {last
                  ? datumWords[usualDatum(station, last)]
                  : datumWords[
                      ["LF", "RF", "LR", "RR"].includes(station)
                        ? "hub"
                        : "floor"
                    ]}
              </td>
              <Blank />
              <Blank />
              <Blank />
            </tr>
          ))}
        </tbody>
      </table>
      {asked.length > 0 && (
        <>
          <h3>Asked for beside them</h3>
          <table>
            <tbody>
              {asked.map((a, i) => {
                const measure = catalogue.find(
                  (c) => c.measure.key === a.measure,
                )?.measure;
                return (
                  <tr key={`${a.measure} ${a.place}`}>
                    <td style={{ width: "2em" }}>{i + 1}</td>
                    <td>
                      <b>
                        {measureTitle(
                          a.measure,
                          catalogue.map((c) => c.measure),
                        )}
                        {a.nowOrNever && " (now or never)"}
                      </b>
                      {measure && <div>{measure.how}</div>}
                      {measure?.caution && <div>! {measure.caution}</div>}
                    </td>
                    <td style={{ width: "9em" }}>{placeWords(a.place)}</td>
                    <td style={{ width: "8em" }}>
                      ______________
                      {measure?.over && <div>over ________</div>}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </>
      )}
      <h3>Notes</h3>
      <div style={{ height: "5em" }} />
      <div>Measured by ______________________ on ______________</div>
    </>
  );
}

/** A place to write in, as wide as the sheet lets it be: on a phone, too. */
function Blank() {
  return (
    <td>
      <span
        style={{
          display: "block",
          borderBottom: "1px solid",
          minWidth: "2.5em",
          marginRight: "0.6em",
        }}
      >
        &nbsp;
      </span>
    </td>
  );
}
