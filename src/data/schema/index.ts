export * from "./bars";
export * from "./care";
export * from "./hall";
export * from "./lifting";
export * from "./plates";
export * from "./setups";
export * from "./stations";
export * from "./runs";
