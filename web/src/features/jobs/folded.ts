/** Whether a field lies folded away until somebody opens what is known already. */
export const isFolded = (field: string) =>
  /^(sizes|fitted|variant|target\.(least|most|tolerance))|^(engine|drive|carries|troubles)$/.test(
    field,
  );
