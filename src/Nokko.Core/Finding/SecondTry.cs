using Nokko.Core.Proof;

namespace Nokko.Core.Finding;

/// <summary>What another try takes once a stack has missed: to settle and walk round again, to align again, and then the stack of this shelf that gets there for least.</summary>
/// <remarks>
/// Source: docs/computation/finding.md#expected-cost. With C what a stack takes and p its chance, the least of (C + (1 − p)·R)/p over all stacks is what it takes to get there by trying;
/// it is found by Dinkelbach's method: order by C + (1 − p)·B, take B = R + (C + (1 − p)·R)/p of the first, until that changes nothing.
/// </remarks>
/// <param name="Hours">Hours.</param>
/// <param name="Money">Parts.</param>
public readonly record struct SecondTry(double Hours, double Money)
{
    /// <summary>Hours to settle it, walk round and align it again, R: a rule of thumb.</summary>
    public const double AgainHours = Causes.AgainHours;

    /// <summary>Where no stack gets there for less, nothing here does.</summary>
    private static readonly SecondTry NoWay = new(1_000, 0);

    /// <summary>A try at one stack until it lands, from a miss on.</summary>
    /// <param name="hours">Hours that it takes.</param>
    /// <param name="money">Money that its parts take.</param>
    /// <param name="chance">Its chance to land, 0 … 1.</param>
    /// <param name="rate">Money for an hour.</param>
    public static SecondTry Of(double hours, double money, double chance, double rate)
    {
        // What never lands takes for ever: no way.
        var by = new SecondTry(
            AgainHours + ((hours + ((1 - chance) * AgainHours)) / chance),
            money / chance
        );
        return by.Cost(rate) < NoWay.Cost(rate) ? by : NoWay;
    }

    /// <summary>Both as money.</summary>
    /// <param name="rate">Money for an hour.</param>
    public double Cost(double rate) => (Hours * rate) + Money;
}
