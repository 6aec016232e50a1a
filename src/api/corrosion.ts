import Joi from "joi";
import { CORROSIVITY, corrosionRate, corrosivityOf, dewPointC } from "@/core/care/corrosion";

export interface CorrosionRequest {
  temperatureC: number;
  relativeHumidityPct: number;
  so2DepositionMgPerM2Day: number;
  chlorideDepositionMgPerM2Day: number;
}

const deposition = () => Joi.number().min(0).max(2000).required();

export const corrosionRequest = Joi.object<CorrosionRequest>({
  temperatureC: Joi.number().min(-60).max(60).required(),
  relativeHumidityPct: Joi.number().min(0).max(100).required(),
  so2DepositionMgPerM2Day: deposition(),
  chlorideDepositionMgPerM2Day: deposition(),
}).required();

export const corrosionAnswer = Joi.object({
  rateUmPerYear: Joi.number().required().description("carbon steel in open air, first year; indoors it only ranks"),
  category: Joi.string()
    .valid(...CORROSIVITY.map(([key]) => key))
    .required(),
  dewPointC: Joi.number().allow(null).required().description("null at 0 % humidity"),
});

/** Rate, class and dew point for a request. */
export function answerCorrosion(request: CorrosionRequest) {
  const { temperatureC, relativeHumidityPct } = request;
  const rateUmPerYear = corrosionRate({
    temperatureC,
    relativeHumidityPct,
    so2Deposition: request.so2DepositionMgPerM2Day,
    chlorideDeposition: request.chlorideDepositionMgPerM2Day,
  });
  return {
    rateUmPerYear,
    category: corrosivityOf(rateUmPerYear),
    dewPointC: dewPointC(temperatureC, relativeHumidityPct),
  };
}
