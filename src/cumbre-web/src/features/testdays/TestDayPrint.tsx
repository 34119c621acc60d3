import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { Paper } from "../../shared/paper/Paper";
import { Small } from "../../shared/paper/SessionSheet";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { dayFull, listed } from "../../shared/ui/format";
import { FailedPage, Loading } from "../../shared/ui/states";
import { columnName, columnsOf, pagesOf, storedCell, type Column } from "./cells";
import type { Sheet } from "../../shared/api/types";
import { sheetQuery } from "./queries";
import { say } from "../../words/testdays";

/** The sheet on paper: filled cells as they are, empty boxes to fill by pen, the protocols below. */
export default function TestDayPrint() {
  const { id = "" } = useParams();
  const sheet = useQuery(sheetQuery(id));
  const { club } = useSignedIn();
  if (sheet.isPending) return <Loading />;
  if (sheet.isError) return <FailedPage error={sheet.error} retry={() => void sheet.refetch()} />;
  return (
    <Paper back={`/test-days/${id}`}>
      {pagesOf(columnsOf(sheet.data.tests)).map((columns) => (
        <Page key={columns[0]?.test.slug} sheet={sheet.data} club={club} columns={columns} />
      ))}
    </Paper>
  );
}

function Page({ sheet, club, columns }: { sheet: Sheet; club: string; columns: Column[] }) {
  const tests = [...new Set(columns.map((c) => c.test))];
  return (
    <section className="page" aria-label={listed(sheet.name, ...tests.map((t) => t.name))}>
      <h1>{sheet.name}</h1>
      <div>
        {club}, {dayFull(sheet.day)}
      </div>
      <table className="roomy">
        <thead>
          <tr>
            <th>{say("athlete")}</th>
            {columns.map((c) => (
              <th key={`${c.test.slug}-${c.side}`}>{columnName(c.test, c.side)}</th>
            ))}
            <th>{say("pain")}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.athletes.map((a) => (
            <tr key={a.id}>
              <th>{a.name}</th>
              {columns.map((c) => {
                const cell = storedCell(sheet, a.id, c);
                return (
                  <td key={`${c.test.slug}-${c.side}`}>
                    {a.blocked[c.test.slug]
                      ? say("notBeforeClearance3")
                      : listed(cell.text, cell.text !== "" && cell.form === "Broken" && say("formBroke"))}
                  </td>
                );
              })}
              <td />
            </tr>
          ))}
        </tbody>
      </table>
      <h2>{say("howAndWhatCounts")}</h2>
      {tests.map((t) => (
        <div key={t.slug} className="protocol">
          <MovementFigure movement={t.movement} size={72} />
          <div>
            <b>{t.name}.</b> {say("counts2", { protocol: t.protocol, standard: t.standard })}
          </div>
        </div>
      ))}
      <h2>{say("cautions")}</h2>
      <Small>{say("barsStrapsAndAnchorsMustBearThe")}</Small>
    </section>
  );
}
