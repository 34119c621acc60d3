import type { Piece, PieceSort } from "../api/types";
import { number } from "./format";
import { say } from "../../words/ui";

/** How a piece is carried; a plate needs no word. */
export const sortWord: Record<PieceSort, string> = {
  Plate: "",
  Dumbbell: "dumbbell",
  Chain: "chain",
  Insert: say("inTheVest"),
  Vest: "vest",
};

/** What the coach adds to the kit, in the order of the list. */
export const stockSorts: { sort: PieceSort; name: string }[] = [
  { sort: "Plate", name: "plate" },
  { sort: "Dumbbell", name: "dumbbell" },
  { sort: "Chain", name: "chain" },
  { sort: "Insert", name: say("vestWeight") },
];

/** "10", "dumbbell 8", "vest 2". */
export const pieceName = (piece: Piece) => `${sortWord[piece.sort]} ${number(piece.size.value)}`.trim();
