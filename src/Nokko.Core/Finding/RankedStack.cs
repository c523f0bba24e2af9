using Nokko.Core.Shelf;

namespace Nokko.Core.Finding;

/// <summary>A stack with its place in the order, for files.</summary>
/// <param name="Stacks">What would stand at every corner.</param>
/// <param name="Chance">Chance that it lands within what is wanted.</param>
/// <param name="Rank">What orders it.</param>
public sealed record RankedStack(IReadOnlyList<CornerStack> Stacks, double Chance, Rank Rank);
