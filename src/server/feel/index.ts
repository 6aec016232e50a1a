import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type BarFeel,
  type NoteAsked,
  type NoteForm,
  type WrittenNote,
  feelOfBars,
  feelOfSeller,
  notesAsked,
  notesOf,
  notesOfLifter,
  saveNote,
} from "./notes";
