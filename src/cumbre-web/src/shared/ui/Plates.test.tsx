// @vitest-environment jsdom
import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Piece, PieceSort } from "../api/types";
import { Plates } from "./Plates";

const plate = (value: number, sort: PieceSort = "Plate"): Piece => ({ size: { value, unit: "Kg" }, sort });

describe("plates on the pin", () => {
  it("says what hangs", () => {
    render(<Plates pieces={[plate(10), plate(2.5)]} />);
    expect(screen.getByRole("img")).toHaveAccessibleName("10 + 2.5 kg on the pin");
  });

  it("draws larger plates wider and the largest lowest", () => {
    const { container } = render(<Plates pieces={[plate(20), plate(5), plate(1.25)]} />);
    const rects = [...container.querySelectorAll("rect")].map((r) => ({
      width: Number(r.getAttribute("width")),
      y: Number(r.getAttribute("y")),
    }));
    expect(rects.map((r) => r.width)).toEqual(rects.map((r) => r.width).toSorted((a, b) => b - a));
    expect(rects.map((r) => r.y)).toEqual(rects.map((r) => r.y).toSorted((a, b) => b - a));
  });

  it("dashes what comes off", () => {
    const { container } = render(<Plates pieces={[plate(10)]} takeOff={[plate(10)]} />);
    expect(container.querySelectorAll("rect[stroke-dasharray]")).toHaveLength(1);
  });

  it("shows an empty pin for body mass", () => {
    render(<Plates pieces={[]} />);
    expect(screen.getByRole("img")).toHaveAccessibleName("no plates on the pin");
  });
});
