import type {
  Band,
  CountedLoad,
  Gear,
  GearKind,
  KitBook,
  KitBookRequest,
  MassUnit,
  PieceSort,
} from "../../shared/api/types";
import { say as word } from "../../words/common";
import { say } from "../../words/kit";

/** The book as it is typed: figures are texts until they are sent. */
export interface KitText {
  hasBelt: boolean;
  vest: string;
  vestUnit: MassUnit;
  plates: { sort: PieceSort; size: string; unit: MassUnit; count: string }[];
  bands: { id: string; name: string; bottom: string; middle: string; top: string; measuredOn: string }[];
  counted: { id: string; name: string; count: string; unit: string }[];
  gear: { id: string; kind: GearKind; name: string; height: string; width: string; note: string }[];
  hasNoGear: boolean;
}

const asText = (value: number | null | undefined) => (value === null || value === undefined ? "" : String(value));

export function textOf(book: KitBook, unit: MassUnit): KitText {
  return {
    hasBelt: book.kit?.hasBelt ?? true,
    vest: asText(book.kit?.vest?.value),
    vestUnit: book.kit?.vest?.unit ?? unit,
    plates: (book.kit?.plates ?? []).map((p) => ({
      sort: p.sort ?? "Plate",
      size: String(p.size.value),
      unit: p.size.unit,
      count: String(p.count),
    })),
    bands: book.bands.map((b) => ({
      id: b.id,
      name: b.name,
      bottom: String(b.bottomKg),
      middle: String(b.middleKg),
      top: String(b.topKg),
      measuredOn: b.measuredOn,
    })),
    counted: book.counted.map((c) => ({
      id: c.id,
      name: c.name,
      count: String(c.count),
      unit: asText(c.unit?.value),
    })),
    gear: book.gear.map((g) => ({
      id: g.id,
      kind: g.kind,
      name: g.name,
      height: asText(g.heightCm),
      width: asText(g.widthCm),
      note: g.note ?? "",
    })),
    hasNoGear: book.hasNoGear,
  };
}

export type KitErrors = Record<string, string>;

/** The request, or what cannot be read, by the server's own paths so that both kinds of error stand at the same field. */
export function requestOf(text: KitText, version: number): { body: KitBookRequest; errors: KitErrors } {
  const errors: KitErrors = {};
  const number = (path: string, written: string) => {
    const value = Number(written.trim().replace(",", "."));
    if (written.trim() === "" || !Number.isFinite(value)) {
      errors[path] = written.trim() === "" ? say("writeANumber") : say("isNotANumber", { written });
      return 0;
    }
    return value;
  };
  const name = (path: string, written: string) => {
    if (written.trim() === "") errors[path] = say("writeAName");
    return written;
  };
  const optional = (path: string, written: string) => (written.trim() === "" ? null : number(path, written));
  const whole = (path: string, written: string) => {
    const value = number(path, written);
    if (!(path in errors) && !Number.isInteger(value)) errors[path] = say("aWholeNumberBelongsHere");
    return Math.trunc(value);
  };
  const vest = optional("kit.vest", text.vest);
  const body: KitBookRequest = {
    kit: {
      hasBelt: text.hasBelt,
      vest: vest === null ? null : { value: vest, unit: text.vestUnit },
      plates: text.plates.map((p, i) => ({
        size: { value: number(`kit.plates[${i}].size`, p.size), unit: p.unit },
        count: whole(`kit.plates[${i}].count`, p.count),
        sort: p.sort,
      })),
    },
    bands: text.bands.map((b, i): Band => ({
      id: b.id,
      name: name(`bands[${i}].name`, b.name),
      bottomKg: number(`bands[${i}].bottomKg`, b.bottom),
      middleKg: number(`bands[${i}].middleKg`, b.middle),
      topKg: number(`bands[${i}].topKg`, b.top),
      measuredOn: b.measuredOn,
    })),
    counted: text.counted.map((c, i): CountedLoad => {
      const unit = optional(`counted[${i}].unit`, c.unit);
      return {
        id: c.id,
        name: name(`counted[${i}].name`, c.name),
        count: whole(`counted[${i}].count`, c.count),
        unit: unit === null ? null : { value: unit, unit: "Kg" },
      };
    }),
    gear: text.gear.map((g, i): Gear => ({
      id: g.id,
      kind: g.kind,
      name: name(`gear[${i}].name`, g.name),
      heightCm: optional(`gear[${i}].heightCm`, g.height),
      widthCm: optional(`gear[${i}].widthCm`, g.width),
      note: g.note || null,
    })),
    hasNoGear: text.hasNoGear && text.gear.length === 0,
    version,
  };
  return { body, errors };
}

export const gearWord: Record<GearKind, string> = {
  Bar: say("bar"),
  ParallelBars: say("parallelBars"),
  Rings: say("rings"),
  Box: say("box"),
  Pole: say("pole"),
  Pad: say("pad"),
  Dumbbell: word("dumbbell"),
  Chain: word("chain"),
  Mat: word("mat"),
};
