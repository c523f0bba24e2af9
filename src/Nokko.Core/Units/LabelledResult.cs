namespace Nokko.Core.Units;

/// <summary>A result with what it is.</summary>
/// <param name="Label">What it is, as said in a bay.</param>
/// <param name="Result">The number with its ±, or why there is none.</param>
public sealed record LabelledResult(string Label, Result Result);
