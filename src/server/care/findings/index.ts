import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type Finding,
  barToCareFor,
  checkedPhoto,
  findingPhoto,
  keepFinding,
  hasOpenFindings,
  listFindings,
  openFindings,
  settleFinding,
  withoutPhoto,
} from "./findings";
export { type Incident, incidentLacks, incidentPhoto, listIncidents, recordIncident } from "./incidents";
