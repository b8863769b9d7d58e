import type { Fit } from "../../../api/client";
import { grams } from "../../../domain/numbers";

/** What goes into the bowl for each mix, where one is not enough. */
export function PrintMixes({ fit }: { fit: Fit }) {
  if (fit.mixes.length < 2) return null;
  const lines = fit.mixes[0]?.lines ?? [];
  return (
    <>
      <h2>
        In {fit.mixes.length} mixes{fit.bowl ? ` in ${fit.bowl.name}` : ""}
      </h2>
      <table>
        <thead>
          <tr>
            <th scope="col">In the bowl</th>
            {fit.mixes.map((mix, place) => (
              <th scope="col" key={place}>
                Mix {place + 1}, {grams(mix.batter_g)} g
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line, row) => (
            <tr key={line.id}>
              <th scope="row">{line.name}</th>
              {fit.mixes.map((mix, place) => (
                <td className="number" key={place}>
                  {amount(mix.lines[row])}
                  {mix.lines[row]?.parts.map((part) => (
                    <div key={part.name} style={{ fontWeight: 400 }}>
                      {part.shown} {part.name}
                    </div>
                  ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function amount(line: Fit["mixes"][number]["lines"][number] | undefined): string {
  if (!line) return "";
  if (line.measure_leads) {
    if (!line.shown_measure) return line.shown_g ?? "";
    return line.shown_g ? `${line.shown_measure} (${line.shown_g})` : line.shown_measure;
  }
  return line.shown_g ?? line.shown_measure ?? "";
}
