import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { MassUnit, Session, SessionItem } from "../api/types";
import { clock, dayFull, mass } from "../ui/format";
import { Failed, Loading } from "../ui/states";
import { cautionText } from "../why/wording";
import { effortText, loadWords, piecesText } from "./effortText";
import "./print.css";
import { sessionQuery } from "./useSession";

/** One page, black on white: the plan, empty boxes to log by pen, the tempo legend, the cautions. */
export default function PrintPage() {
  const { athleteId = "", sessionId = "" } = useParams();
  const session = useQuery(sessionQuery(athleteId, sessionId));
  const { club } = useSignedIn();
  const unit = useUnit();
  if (session.isPending) return <Loading />;
  if (session.isError) return <Failed error={session.error} />;
  return <Sheet session={session.data} club={club} unit={unit} />;
}

function Sheet({ session, club, unit }: { session: Session; club: string; unit: MassUnit }) {
  const cautions = session.items
    .flatMap((i) => i.plan?.cautions ?? [])
    .filter((c, i, all) => all.findIndex((x) => x.id === c.id) === i);
  return (
    <main className="sheet">
      <div className="tools">
        <Button variant="contained" color="secondary" onClick={() => window.print()}>
          Print
        </Button>
        <Button component={Link} to={`/athletes/${session.athleteId}/sessions/${session.id}`}>
          Back
        </Button>
      </div>
      <h1>{session.athleteName}</h1>
      <div>
        {club}, {dayFull(session.day)}
        {session.title && `, ${session.title}`}
        {session.easy && ", easy week"}
        {session.items.length > 1 && `, ${clock(session.durationSeconds)} in all`}
      </div>
      {session.warmUp.text && (
        <div>
          Warm-up {clock(session.warmUp.seconds)}: {session.warmUp.text}
        </div>
      )}
      {session.items.map((item) => (
        <Item key={item.id} item={item} unit={unit} />
      ))}
      {session.coolDown.text && (
        <div>
          Cool-down {clock(session.coolDown.seconds)}: {session.coolDown.text}
        </div>
      )}
      <h2>Cautions</h2>
      <ul>
        {cautions.map((c, i) => (
          <li key={i}>{cautionText(c, unit)}</li>
        ))}
      </ul>
      {session.overrideReason && (
        <>
          <h2>Kept against a caution</h2>
          <div>{session.overrideReason}</div>
        </>
      )}
    </main>
  );
}

function Item({ item, unit }: { item: SessionItem; unit: MassUnit }) {
  const { plan, movement } = item;
  const parts = plan?.efforts.some((e) => e.part > 1);
  return (
    <>
      <h2>{movement.name}</h2>
      <div className="line">{item.line}</div>
      {plan && (
        <>
          <div>
            {plan.setTotal} sets, {plan.repTotal > 0 ? `${plan.repTotal} reps` : `${plan.tensionSeconds} s`},{" "}
            {clock(plan.durationSeconds)} in all, rest {clock(plan.restSeconds)} between sets
          </div>
          <table style={{ marginTop: 10 }}>
            <thead>
              <tr>
                {["Set", "Work", "Load", "On the belt", "System", "Done", "Reps left", "Form", "Pain"].map((h) => (
                  <th key={h}>{h}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {plan.efforts.map((e) => {
                const load = plan.loads[e.load]!;
                return (
                  <tr key={`${e.set}-${e.part}`}>
                    <td>
                      {e.set}
                      {parts && `.${e.part}`}
                    </td>
                    <td>
                      {effortText(e)}
                      {e.grip && `, ${e.grip.toLowerCase()}`}
                    </td>
                    <td>{loadWords(load, unit).replace(/^at /, "")}</td>
                    <td>
                      {e.takeOff.length > 0
                        ? `take off ${piecesText(e.takeOff)}`
                        : piecesText(load.pieces) || "nothing"}
                    </td>
                    <td>{load.isWeighed ? mass(load.systemKg, unit) : "not weighed"}</td>
                    <td className="blank" />
                    <td className="blank" />
                    <td className="blank" />
                    <td className="blank" />
                  </tr>
                );
              })}
            </tbody>
          </table>
          {plan.tempo && (
            <>
              <h2>
                Tempo {plan.tempo.lowering}-{plan.tempo.bottom}-{plan.tempo.lifting ?? "X"}-{plan.tempo.top}
              </h2>
              <dl>
                <dt>{plan.tempo.lowering} s</dt>
                <dd>lowering</dd>
                <dt>{plan.tempo.bottom} s</dt>
                <dd>pause at the bottom: {movement.bottom}</dd>
                <dt>{plan.tempo.lifting === null ? "X" : `${plan.tempo.lifting} s`}</dt>
                <dd>lifting{plan.tempo.lifting === null && ", as fast as possible"}</dd>
                <dt>{plan.tempo.top} s</dt>
                <dd>pause at the top</dd>
              </dl>
            </>
          )}
          <h2>A rep counts when</h2>
          <div>{movement.standard}</div>
        </>
      )}
    </>
  );
}
