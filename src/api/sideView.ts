import Joi from "joi";
import {
  CAMERA_SIDES,
  DISC_MARKS,
  JOINT_MARKS,
  SCALE_ALONGS,
  SCALE_MARKS,
  type SideMarks,
} from "@/core/sideview/marks";

/** Five mebibytes as base64, and a little. */
const MAX_PHOTO_CHARACTERS = 7_100_000;
const MAX_PX = 20_000;

const pixel = Joi.array().items(Joi.number().min(0).max(MAX_PX)).length(2).required();
const pixels = (keys: readonly string[]) => Joi.object(Object.fromEntries(keys.map((key) => [key, pixel]))).required();

const marks = Joi.object<SideMarks>({
  widthPx: Joi.number().min(1).max(MAX_PX).required(),
  heightPx: Joi.number().min(1).max(MAX_PX).required(),
  points: pixels(JOINT_MARKS),
  disc: Joi.object({ points: pixels(DISC_MARKS), diameterMm: Joi.number().positive().max(2000).required() })
    .allow(null)
    .required(),
  scale: Joi.object({
    points: pixels(SCALE_MARKS),
    distanceMm: Joi.number().positive().max(20_000).required(),
    along: Joi.string()
      .valid(...SCALE_ALONGS)
      .required(),
  })
    .allow(null)
    .required(),
  facing: Joi.string().valid("left", "right").required(),
  cameraMm: Joi.number().positive().max(100_000).required(),
  cameraSide: Joi.string()
    .valid(...CAMERA_SIDES)
    .required(),
}).required();

/** A marked still as a telephone sends it; without a photo the picture stays where it is. */
export const sentSideView = Joi.object({
  key: Joi.string()
    .pattern(/^[\w-]{8,64}$/)
    .required(),
  lifter: Joi.string().min(1).max(64).required(),
  tag: Joi.string().min(1).max(64).allow(null).required(),
  lift: Joi.string().min(1).max(64).required(),
  setting: Joi.string().trim().max(120).allow("").required(),
  loadKg: Joi.number().min(0).max(2000).required(),
  takenOn: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .required(),
  marks,
  photo: Joi.string().base64().max(MAX_PHOTO_CHARACTERS).allow(null).required(),
}).required();
