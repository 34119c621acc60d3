import Fuse from "fuse.js";
import type { Command } from "../shared/keys/commands";
import type { Ladder, Movement, ProgrammeRow, RosterRow } from "../shared/api/types";
import { say } from "../words/app";

/** Something to go to or to do from the palette. */
export interface Target {
  key: string;
  label: string;
  /** What kind of thing it is. */
  group: string;
  /** Other names under which it is found. */
  also?: string[];
  to?: string;
  run?: () => void;
}

const page = (to: string, label: string, also: string[] = []): Target => ({
  key: to,
  label,
  group: say("page"),
  also,
  to,
});

const coachPages: Target[] = [
  page("/", say("desk"), [say("decisionsWord")]),
  page("/roster", say("roster"), [say("athletesWord")]),
  page("/athletes/new", say("newAthlete"), [say("addAthlete")]),
  page("/test-days", say("testDays")),
  page("/test-days/new", say("newTestDay")),
  page("/ladders", say("ladders")),
  page("/ladders/new", say("newLadder")),
  page("/ladders/import", say("importLadders")),
  page("/ladders?show=movements", say("movements")),
  page("/movements/new", say("newMovement")),
  page("/ladders?show=schools", say("schools")),
  page("/programmes", say("programmes"), [say("blocksWord")]),
  page("/groups/new", say("newGroup")),
  page("/compare", say("compareBlocks")),
  page("/class", say("class"), [say("hallBoard")]),
  page("/logbook", say("logbook")),
  page("/exchange", say("inAndOut")),
  page("/review", say("clubReview")),
  page("/board", say("hallBoard")),
  page("/outbox", say("outbox"), [say("messagesWord")]),
  page("/help", say("howItWorks"), [say("helpWord")]),
  page("/glossary", say("glossaryPage"), [say("wordsWord")]),
  page("/kit", say("kitOfTheHall"), [say("platesWord")]),
];

const ownerPages: Target[] = [
  page("/club", say("clubPage"), [say("backupsWord"), say("settingsWord")]),
  page("/people", say("people"), [say("coachesWord")]),
  page("/audit", say("audit"), [say("changesWord")]),
];

/** Where the pages of one athlete lead. */
export const athletePages = (id: string): Target[] => [
  page(`/athletes/${id}`, say("overviewOfThisAthlete")),
  page(`/athletes/${id}/movement`, say("movementsOfThisAthlete")),
  page(`/athletes/${id}/ladders`, say("laddersOfThisAthlete")),
  page(`/athletes/${id}/programme`, say("programmeOfThisAthlete")),
  page(`/athletes/${id}/intake`, say("intakeOfThisAthlete")),
  page(`/athletes/${id}/profile`, say("profileOfThisAthlete")),
  page(`/athletes/${id}/privacy`, say("privacyOfThisAthlete"), [say("consentWord")]),
];

export interface Known {
  isCoach: boolean;
  isOwner: boolean;
  ownId: string | null;
  /** The athlete whose page is in view. */
  athleteId?: string;
  commands: readonly Command[];
  roster: readonly RosterRow[];
  programmes: readonly ProgrammeRow[];
  ladders: readonly Ladder[];
  movements: readonly Movement[];
}

/** Everything that the palette offers, in the order in which an empty question shows it. */
export function targetsOf(known: Known): Target[] {
  const id = known.athleteId ?? known.ownId;
  return [
    ...known.commands.map((c) => ({ key: `command:${c.id}`, label: c.label, group: say("command"), run: c.run })),
    ...(id ? athletePages(id).filter((p) => known.isCoach || !/intake|profile/.test(p.to!)) : []),
    ...(known.isCoach ? coachPages : [page("/ladders", say("ladders"))]),
    ...(known.isOwner ? ownerPages : []),
    page("/privacy", say("privacy"), [say("consentWord")]),
    page("/account", say("account"), [say("passwordWord"), say("devicesWord")]),
    ...known.roster.map((a) => ({
      key: `athlete:${a.id}`,
      label: a.name,
      group: say("athlete"),
      to: `/athletes/${a.id}`,
    })),
    ...known.programmes.flatMap(({ athleteId, athleteName, block }) =>
      block
        ? {
            key: `block:${block.id}`,
            label: say("blockOfAthlete", { block: block.name, athlete: athleteName }),
            group: say("block"),
            to: `/athletes/${athleteId}/blocks/${block.id}`,
          }
        : [],
    ),
    ...known.ladders.map((l) => ({
      key: `ladder:${l.slug}`,
      label: l.name,
      group: say("ladder"),
      to: `/ladders/${l.slug}`,
    })),
    ...known.movements.map((m) => ({
      key: `movement:${m.slug}`,
      label: m.name,
      group: say("movement"),
      also: m.aliases,
      to: `/movements/${m.slug}`,
    })),
  ];
}

/** What a few typed letters may mean, best first; a slip of the keyboard or a missing accent does no harm. */
export function searchOf(targets: Target[]) {
  const fuse = new Fuse(targets, {
    keys: [
      { name: "label", weight: 2 },
      { name: "also", weight: 1 },
      { name: "group", weight: 0.3 },
    ],
    threshold: 0.35,
    ignoreLocation: true,
    ignoreDiacritics: true,
    minMatchCharLength: 1,
  });
  return (typed: string) =>
    typed.trim() === "" ? targets : fuse.search(typed.trim(), { limit: 40 }).map((r) => r.item);
}
