import Joi from "joi";
import { INCIDENT_KINDS, type NewIncident } from "@/core/care/incident";

/** Five mebibytes as base64, and a little. */
const MAX_PHOTO_CHARACTERS = 7_100_000;

/** What happened with a bar, as a telephone sends it. */
export const sentIncident = Joi.object<NewIncident>({
  key: Joi.string()
    .pattern(/^[\w-]{8,64}$/)
    .required(),
  tag: Joi.string().min(1).max(64).required(),
  kind: Joi.string()
    .valid(...INCIDENT_KINDS)
    .required(),
  note: Joi.string().trim().min(1).max(500).required(),
  setup: Joi.string().trim().max(200),
  loadKg: Joi.number().positive().max(2000),
  photo: Joi.string().base64().max(MAX_PHOTO_CHARACTERS),
}).required();
