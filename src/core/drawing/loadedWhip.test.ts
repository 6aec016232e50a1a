import { describe, expect, it } from "vitest";
import { bar } from "../bars/bars.fixture";
import { whip } from "../whip/closedForm";
import { bendingBarOf } from "../whip/bendingBar";
import { loadedWhip } from "./loadedWhip";

