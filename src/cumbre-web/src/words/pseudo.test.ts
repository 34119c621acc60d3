import { describe, expect, it } from "vitest";
import { pseudo } from "./pseudo";
import { wordsOf } from "./wordsOf";

describe("the language of checks", () => {
  it("leaves placeholders, branches and tags as they are", () => {
    expect(pseudo("Save")).toBe("⟦Sávé~~⟧");
    expect(pseudo(", ")).toBe(", ");
    expect(pseudo("{n, plural, one {one set} other {# sets}} of <b>{name}</b>")).toBe(
      "⟦{n, plural, one {one set} other {# sets}} óf <b>{name}</b>~⟧",
    );
  });

  it("can still be said", () => {
    const say = wordsOf("test", { sets: pseudo("{n, plural, one {one set} other {# sets}} done") });
    expect(say("sets", { n: 2 })).toBe("⟦2 sets dóñé~~⟧");
  });
});
