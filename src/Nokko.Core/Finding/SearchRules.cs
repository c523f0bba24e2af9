using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Finding;

/// <summary>What a shop's school, its shelf or this owner rules out or lets in.</summary>
public sealed record SearchRules
{
    /// <summary>Most pieces that come new to one corner.</summary>
    public const int MostNewPieces = 2;

    /// <summary>Full springs only: no plate, ring or spacer comes in.</summary>
    public bool NoSpacers { get; init; }

    /// <summary>Nothing is cut that cannot be undone.</summary>
    public bool NoCutting { get; init; }

    /// <summary>Of what lengthens the spring, only what squeezes the coil inside its strut.</summary>
    public bool PreloadOnly { get; init; }

    /// <summary>No corner gives up more than a quarter of its droop.</summary>
    public bool KeepDroop { get; init; }

    /// <summary>Rules of thumb stop a stack too, not only entered limits.</summary>
    public bool HoldEveryLimit { get; init; }

    /// <summary>No axle on a track bar sits aside by more than this, mm, in 95 of 100: what takes it back comes with the stack, or the stack is stopped. Null is not held.</summary>
    public double? MostAsideMm { get; init; }

    /// <summary>What it moves stays within its limits: what takes it back comes with the stack, or the stack is stopped.</summary>
    public bool HoldGeometry { get; init; }

    /// <summary>Reads how far aside an axle may sit; null is not held.</summary>
    /// <param name="input">What was typed.</param>
    /// <param name="field">Field at which a refusal is said.</param>
    /// <exception cref="RefusedException">It is no length, or finer than an axle can be set.</exception>
    public static double? ReadMostAside(QuantityInput? input, string field) =>
        QuantityInput.Read(input, field, Unit.Mm)?.In(Unit.Mm) switch
        {
            null => null,
            < CentredAxles.LeastMm => throw Refuse.Value(
                field,
                "The gaps beside the tyres set an axle to 1/16 in (1.5 mm) at best: allow no less."
            ),
            var mm => mm,
        };

    /// <summary>Parts that are not on the shelf may be bought.</summary>
    public bool MayBuy { get; init; }

    /// <summary>Left and right may get different stacks.</summary>
    public bool SidesDiffer { get; init; }

    /// <summary>By what the stacks are ordered.</summary>
    public SearchOrder Order { get; init; }

    /// <summary>Stacks that are less likely to land than this are no answer, 0 … 1.</summary>
    public double LeastChance { get; init; }

    /// <summary>Money for an hour where the shop has not said: a rule of thumb.</summary>
    public const double UsualHourRate = 100;

    /// <summary>Money for an hour of work.</summary>
    public double HourRate { get; init; } = UsualHourRate;

    /// <summary>Why a part of a kind does not come in; null when it may.</summary>
    /// <param name="kind">The kind.</param>
    public string? WhyNot(PartKind kind) =>
        NoSpacers
        && kind
            is PartKind.StrutTopSpacer
                or PartKind.StrutLowerSpacer
                or PartKind.PreloadSpacer
                or PartKind.CoilSpacer
            ? "no spacers, by choice"
        : PreloadOnly
        && PartRule.Of(kind).Family == LiftFamily.Spring
        && kind is not (PartKind.PreloadSpacer or PartKind.RaisedCollar)
            ? "preload only, by choice"
        : null;
}
