import type { Piece, PieceSort } from "../api/types";
import { number } from "./format";
import { say as word } from "../../words/common";
import { say } from "../../words/ui";

/** How a piece is carried; a plate needs no word. */
export const sortWord: Record<PieceSort, string> = {
  Plate: "",
  Dumbbell: word("dumbbell"),
  Chain: word("chain"),
  Insert: say("inTheVest"),
  Vest: word("vest"),
};

/** What the coach adds to the kit, in the order of the list. */
export const stockSorts: { sort: PieceSort; name: string }[] = [
  { sort: "Plate", name: word("plate") },
  { sort: "Dumbbell", name: word("dumbbell") },
  { sort: "Chain", name: word("chain") },
  { sort: "Insert", name: say("vestWeight") },
];

/** "10", "dumbbell 8", "vest 2". */
export const pieceName = (piece: Piece) => `${sortWord[piece.sort]} ${number(piece.size.value)}`.trim();
