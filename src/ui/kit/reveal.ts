/**
 * A script before the first part of a page, about how React's own small script shows the parts that come after the frame.
 * - React waits until 300 ms after the frame (`$RT`); read as unset, it shows a part as soon as that is there.
 * - A part that came before the frame was painted would be laid out and painted with it, and the frame would wait for
 *   that: the first showing (`$RV`) is done once the frame is painted, before scripts that came meanwhile are begun.
 *
 * Where React calls these otherwise one day, parts come later and nothing breaks.
 */
export const REVEAL = `{let show,isPainted=false;
const afterPaint=globalThis.scheduler?.postTask?(then)=>scheduler.postTask(then,{priority:"user-blocking"}):setTimeout;
Object.defineProperties(window,{
$RT:{get(){},set(){}},
$RV:{get:()=>(parts)=>isPainted?show(parts):afterPaint(()=>{isPainted=true;show(parts)}),set(own){show=own}}})}`;
