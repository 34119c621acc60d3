import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { useSignedIn } from "../accounts/useMe";
import { Paper } from "../publish/Paper";
import { Small } from "../publish/SessionSheet";
import { dayFull } from "../ui/format";
import { Failed, Loading } from "../ui/states";
import { columnsOf, storedCell } from "./cells";
import { sheetQuery } from "./queries";

/** The sheet on paper: filled cells as they are, empty boxes to fill by pen, the protocols below. */
export default function TestDayPrint() {
  const { id = "" } = useParams();
  const sheet = useQuery(sheetQuery(id));
  const { club } = useSignedIn();
  if (sheet.isPending) return <Loading />;
  if (sheet.isError) return <Failed error={sheet.error} retry={() => void sheet.refetch()} />;
  const columns = columnsOf(sheet.data.tests);
  return (
    <Paper back={`/test-days/${id}`}>
      <section className="page" aria-label={sheet.data.name}>
        <h1>{sheet.data.name}</h1>
        <div>
          {club}, {dayFull(sheet.data.day)}
        </div>
        <table className="roomy">
          <thead>
            <tr>
              <th>Athlete</th>
              {columns.map((c) => (
                <th key={`${c.test.slug}-${c.side}`}>
                  {c.test.name}
                  {c.side && `, ${c.side.toLowerCase()}`}
                </th>
              ))}
              <th>Pain</th>
            </tr>
          </thead>
          <tbody>
            {sheet.data.athletes.map((a) => (
              <tr key={a.id}>
                <th>{a.name}</th>
                {columns.map((c) => {
                  const cell = storedCell(sheet.data, a.id, c);
                  return (
                    <td key={`${c.test.slug}-${c.side}`}>
                      {a.blocked[c.test.slug] ? "not before clearance" : cell.text}
                      {cell.text && cell.form === "Broken" && " (form broke)"}
                    </td>
                  );
                })}
                <td />
              </tr>
            ))}
          </tbody>
        </table>
        <h2>How, and what counts</h2>
        {sheet.data.tests.map((t) => (
          <div key={t.slug} style={{ marginBottom: 4 }}>
            <b>{t.name}.</b> {t.protocol} Counts: {t.standard}
          </div>
        ))}
        <h2>Cautions</h2>
        <Small>
          Bars, straps and anchors must bear the body with swing. A spotter for first attempts, a mat under inversions
          and flags.
        </Small>
      </section>
    </Paper>
  );
}
