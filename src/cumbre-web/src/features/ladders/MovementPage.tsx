import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Ladder, Movement } from "../../shared/api/types";
import { FormFaults } from "../../shared/figure/FormFaults";
import { Moving } from "../../shared/figure/Moving";
import { Strip } from "../../shared/figure/Strip";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { measures, standingCaution, armsWord } from "./movementWording";
import { laddersQuery, movementsQuery } from "../../shared/ladders/useLadders";
import { say } from "../../words/ladders";

const carriers: Record<NonNullable<Movement["load"]>, string> = {
  Belt: say("byBelt"),
  Vest: say("byVest"),
  BackPlate: say("byAPlateOnBackOrStomach"),
  AnkleWeight: say("byAnkleWeights"),
  Dumbbell: say("byDumbbell"),
};

/** A movement's card: form standard, cues, faults, cautions, neighbours. */
export default function MovementPage() {
  const { slug = "" } = useParams();
  const movements = useQuery(movementsQuery);
  const ladders = useQuery(laddersQuery);
  if (movements.isPending || ladders.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (movements.isError || ladders.isError)
    return (
      <FailedPage
        error={movements.error ?? ladders.error}
        retry={() => void (movements.isError ? movements : ladders).refetch()}
      />
    );
  const movement = movements.data.find((m) => m.slug === slug);
  if (!movement)
    return (
      <Box sx={{ px: 6 }}>
        <Empty
          title={say("thereIsNoSuchMovement")}
          action={<Link to="/ladders?show=movements">{say("allMovements")}</Link>}
        />
      </Box>
    );
  return <Card movement={movement} all={movements.data} ladders={ladders.data} />;
}

function Card({ movement: m, all, ladders }: { movement: Movement; all: Movement[]; ladders: Ladder[] }) {
  const unit = useUnit();
  const { isClub } = useSignedIn();
  const steps = ladders.flatMap((l) =>
    l.steps.filter((s) => s.movement === m.slug).map((s) => ({ ladder: l, step: s })),
  );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h1">{m.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          <Listed>
            {m.pattern}
            {armsWord[m.arms]}
            {m.eachSide && say("eachSide")}
            {m.aliases.length > 0 && say("also", { aliases: m.aliases.join(", ") })}
          </Listed>
        </Typography>
        <Box sx={{ ml: "auto", fontSize: 13, display: "flex", gap: 4 }}>
          {m.own && isClub && <Link to={`/movements/${m.slug}/edit`}>{say("edit")}</Link>}
          {isClub && <Link to={`/movements/new?from=${m.slug}`}>{say("makeVariation")}</Link>}
          <Link to="/ladders?show=movements">{say("allMovements")}</Link>
        </Box>
      </Box>
      <Box sx={{ mt: 3, display: "flex", flexWrap: "wrap", gap: 4, alignItems: "flex-start" }}>
        <Moving movement={m.slug} name={m.name} size={240} />
        <Box sx={{ flex: "1 1 320px", minWidth: 0, display: "grid", gap: 4 }}>
          <Typography sx={{ fontSize: 16, lineHeight: "24px" }}>{m.standard}</Typography>
          <Strip movement={m.slug} name={m.name} size={112} least={2} />
        </Box>
      </Box>
      <Box
        component="dl"
        sx={{
          mt: 4,
          display: "grid",
          gridTemplateColumns: { xs: "1fr", sm: "150px 1fr" },
          columnGap: 4,
          rowGap: { xs: 0.5, sm: 2 },
          fontSize: 14,
          "& dt": { color: "text.secondary" },
          "& dd": { m: 0, mb: { xs: 2, sm: 0 } },
        }}
      >
        <Row label={say("countedIn")}>{measures[m.measure]}</Row>
        <Row label={say("bottom")}>{m.bottom}</Row>
        <Row label={say("writeDown")}>{m.setUp.join(", ")}</Row>
        <Row label={say("cues")}>{m.cues.join("; ")}</Row>
        <Row label={say("faults2")}>{m.faults.join("; ")}</Row>
        <Row label={say("primeMovers")}>{m.primeMovers.join(", ")}</Row>
        <Row label={say("kit")}>{m.kit.join(", ")}</Row>
        <Row label={say("loaded")}>{m.load ? carriers[m.load] : say("notLoadable")}</Row>
        <Row label={say("toFailure")}>{m.failureHarmless ? say("safe") : say("notHarmlessEndSetsBeforeIt")}</Row>
        <Row label={say("easier")}>{links(m.easier, all)}</Row>
        <Row label={say("harder")}>{links(m.harder, all)}</Row>
        <Row label={say("carriesOverTo")}>{links(m.carriesTo, all)}</Row>
        <Row label={say("onLadders")}>
          {steps.length > 0 &&
            steps.map(({ ladder, step }, i) => (
              <span key={`${ladder.slug}-${step.slug}`}>
                {i > 0 && ", "}
                <Link to={`/ladders/${ladder.slug}#${step.slug}`}>
                  {ladder.name}: {step.name}
                </Link>
              </span>
            ))}
        </Row>
      </Box>
      <FormFaults movement={m.slug} />
      <Box
        component="section"
        aria-label={say("cautions")}
        sx={(t) => ({
          mt: 4,
          bgcolor: t.vars.palette.cautionWash,
          px: 4,
          py: 3,
          display: "grid",
          gap: 1.5,
          fontSize: 13,
          lineHeight: "18px",
        })}
      >
        {m.cautions.map((id) => (
          <Box key={id} sx={{ display: "grid", gridTemplateColumns: "16px 1fr", gap: 2 }}>
            <StatusShape status="caution" title="" />
            <span>{standingCaution(id, unit)}</span>
          </Box>
        ))}
        <span>{say("trainingArithmeticNotMedicalAdvice")}</span>
      </Box>
    </Box>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  if (!children) return null;
  return (
    <>
      <dt>{label}</dt>
      <dd>{children}</dd>
    </>
  );
}

function links(slugs: string[], all: Movement[]) {
  if (slugs.length === 0) return null;
  return slugs.map((slug, i) => (
    <span key={slug}>
      {i > 0 && ", "}
      <Link to={`/movements/${slug}`}>{all.find((m) => m.slug === slug)?.name ?? slug}</Link>
    </span>
  ));
}
