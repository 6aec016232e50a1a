/** One thing wrong with what somebody gave. `path` names the field, as in the public interface. */
export interface Problem {
  path: string;
  message: string;
}
