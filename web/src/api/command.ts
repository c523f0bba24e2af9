import type { Schemas } from "./client";

/** One thing that a person does to a job, as it goes over the wire. */
export type JobCommand = Schemas["JobCommand"];
export type ShopCommand = Schemas["ShopCommand"];

/** Leaves a field out of every member of a union. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** A command before it has its key. */
export type NewCommand = Without<JobCommand, "commandId">;
export type NewShopCommand = Without<ShopCommand, "commandId">;

/** A command of one kind. */
export type CommandOf<K extends JobCommand["kind"]> = Extract<
  JobCommand,
  { kind: K }
>;
