import type { LadderEntry, StepEntry } from "../../../shared/api/types";
import type { Clash, Merged } from "../../../shared/drafts/draft";
import { mergeFields, mergeOrder, pick } from "../../../shared/drafts/merge";
import { omit } from "../../../shared/drafts/omit";
import { changeStep, removeStep } from "./draft";
import { fieldName } from "./wording";
import { say } from "../../../words/ladders";

const said = (value: unknown) =>
  value === undefined || value === null ? "" : typeof value === "string" ? value : JSON.stringify(value);

/** Two versions of a ladder that grew from one: field by field, and step by step within each. */
export function mergeLadders(base: LadderEntry, mine: LadderEntry, theirs: LadderEntry): Merged<LadderEntry> {
  const clashes: Clash<LadderEntry>[] = [];
  const head = mergeFields(omit(base, "steps"), omit(mine, "steps"), omit(theirs, "steps"), (field, doc) => ({
    where: fieldName(field),
    text: said(doc[field]),
  }));
  for (const { take, ...c } of head.clashes)
    clashes.push({ ...omit(c, "keep"), take: (d) => ({ ...d, ...take(omit(d, "steps")) }) });

  const of = (entry: LadderEntry, slug: string) => entry.steps.find((s) => s.slug === slug);
  const steps = new Map<string, StepEntry>();
  const at = (entry: LadderEntry, slug: string) => entry.steps.findIndex((s) => s.slug === slug);
  for (const slug of new Set([...mine.steps, ...theirs.steps].map((s) => s.slug))) {
    const [b, m, t] = [of(base, slug), of(mine, slug), of(theirs, slug)];
    if (b && m && t) {
      const merged = mergeFields(b, m, t, (field, step) => ({
        where: `${step.name}, ${fieldName(field)}`,
        text: said(step[field]),
      }));
      steps.set(slug, merged.doc);
      for (const { take, ...c } of merged.clashes)
        clashes.push({
          ...omit(c, "keep"),
          key: `${slug} ${c.key}`,
          take: (d) => changeStep(d, at(d, slug), take(of(d, slug)!)),
        });
      continue;
    }
    const { value, clash } = pick(b, m, t);
    const stands = value ?? (clash ? t : undefined);
    if (stands) steps.set(slug, stands);
    if (clash)
      clashes.push({
        key: slug,
        where: (m ?? t)!.name,
        mine: m ? m.name : say("takenOut2"),
        theirs: t ? t.name : say("takenOut2"),
        take: (d) => (t ? changeStep(d, at(d, slug), t) : removeStep(d, at(d, slug))),
        ...(!m && { keep: (d: LadderEntry) => removeStep(d, at(d, slug)) }),
      });
  }
  const slugs = (entry: LadderEntry) => entry.steps.map((s) => s.slug);
  const order = mergeOrder(slugs(base), slugs(mine), slugs(theirs), new Set(steps.keys()));
  return { doc: { ...head.doc, steps: order.map((slug) => steps.get(slug)!) }, clashes };
}
