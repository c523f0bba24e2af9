using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Finding;

/// <summary>What an owner may want, in words.</summary>
public enum WishKind
{
    /// <summary>Level.</summary>
    Level,

    /// <summary>Keep a rake: that of today, or one that is said.</summary>
    KeepRake,

    /// <summary>Level with the stated loads on.</summary>
    LevelLoaded,

    /// <summary>Raise both ends by as much.</summary>
    RaiseBoth,

    /// <summary>Make room for a tyre.</summary>
    RoomForTyre,

    /// <summary>Take out a side lean.</summary>
    NoLean,

    /// <summary>Both diagonals of the wheels carry the same.</summary>
    EvenDiagonals,

    /// <summary>Lift neither end by more than this.</summary>
    NotMoreThan,

    /// <summary>Not above a height, for example that of a door.</summary>
    NotAbove,

    /// <summary>Nothing is wanted: all numbers but tolerance and datum go.</summary>
    Nothing,
}

/// <summary>A wish with what it needs.</summary>
/// <param name="Kind">What is wanted.</param>
/// <param name="Amount">The rake, the lift, the most, or the height that must be kept under.</param>
/// <param name="Roof">Height of the vehicle today, for a height that must be kept under.</param>
/// <param name="Tyre">Size of the tyre that needs room.</param>
public sealed record Wish(
    WishKind Kind,
    Quantity? Amount = null,
    Quantity? Roof = null,
    string? Tyre = null
)
{
    /// <summary>The target with the wish's numbers in it, or the field that is wanting and why.</summary>
    /// <param name="situation">The vehicle as it stands, with its target.</param>
    public (Target? Target, string? Field, string? Why) On(Situation situation)
    {
        var target = situation.Target!;
        switch (Kind)
        {
            case WishKind.Level:
                return Good(target with { Rake = Zero, Loaded = false });
            case WishKind.LevelLoaded:
                return situation.Loads.Any(l => !l.Stays)
                    ? Good(target with { Rake = Zero, Loaded = true })
                    : No(
                        "kind",
                        "State the load first: what it weighs and where it sits (Vehicle, loads)."
                    );
            case WishKind.KeepRake:
                if (Amount is not null)
                {
                    return Good(target with { Rake = Amount, Loaded = false });
                }
                return situation.Baseline?.Rake.Value is { } now
                    ? Good(
                        target with
                        {
                            Rake = Quantity.Mm(Math.Round(now, 1), Known.Measured),
                            Loaded = false,
                        }
                    )
                    : No(
                        "amount",
                        "The rake of today was not measured yet: walk round, or say which rake."
                    );
            case WishKind.RaiseBoth:
                return Amount is { } lift
                    ? Good(target with { LeastFrontLift = lift, LeastRearLift = lift })
                    : No("amount", "By how much?");
            case WishKind.NotMoreThan:
                return Amount is { } most
                    ? Good(target with { MostFrontLift = most, MostRearLift = most })
                    : No("amount", "How much at most?");
            case WishKind.NoLean:
                return Good(target with { NoLean = true });
            case WishKind.EvenDiagonals:
                return situation.Weighed is not null
                    ? Good(target with { EvenDiagonals = true })
                    : No(
                        "kind",
                        "Weigh it first: the weight on each wheel's scale (Walk round, other measures)."
                    );
            case WishKind.NotAbove:
                return Under(target);
            case WishKind.RoomForTyre:
                return Room(target, situation);
            default:
                return Good(new Target { Datum = target.Datum, Tolerance = target.Tolerance });
        }
    }

    private static Quantity Zero => Quantity.Mm(0, Known.Told);

    private (Target?, string?, string?) Under(Target target)
    {
        if (Amount is not { } height)
        {
            return No("amount", "How high may it be?");
        }
        if (Roof is not { } roof)
        {
            return No("roof", "How high is it today, at its highest?");
        }
        var left = height.In(Unit.Mm) - roof.In(Unit.Mm);
        return left < 0
            ? No("amount", $"It stands {LengthText.Both(-left)} above that already.")
            : Good(
                target with
                {
                    MostFrontLift = Quantity.Mm(left, Known.Computed),
                    MostRearLift = Quantity.Mm(left, Known.Computed),
                }
            );
    }

    private (Target?, string?, string?) Room(Target target, Situation situation)
    {
        if (TyreRoom.Of(situation.Vehicle, Tyre ?? "") is not { } room)
        {
            return No(
                "tyre",
                "That is no tyre size. Write it as on the tyre, for example 265/70R17 or 33x12.50R15."
            );
        }
        if (room.FirstOrDefault(r => r.Parked.Cannot is not null) is { } unknown)
        {
            return No(
                "tyre",
                $"{(unknown.Axle == Vehicles.Axle.Front ? "Front" : "Rear")}: {unknown.Parked.Cannot}"
            );
        }
        return Good(
            target with
            {
                LeastFrontLift = Least(target.LeastFrontLift, room[0]),
                LeastRearLift = Least(target.LeastRearLift, room[1]),
            }
        );
    }

    private static Quantity? Least(Quantity? was, TyreRoom room)
    {
        var needed = Math.Max(0, Math.Ceiling(room.Parked.Have().Mean));
        return was is not null && was.In(Unit.Mm) >= needed
            ? was
            : Quantity.Mm(needed, Known.Computed);
    }

    private static (Target?, string?, string?) Good(Target target) =>
        target is { LeastFrontLift: { } f, MostFrontLift: { } fm }
            && f.In(Unit.Mm) > fm.In(Unit.Mm) + 1e-9
        || target is { LeastRearLift: { } r, MostRearLift: { } rm }
            && r.In(Unit.Mm) > rm.In(Unit.Mm) + 1e-9
            ? No("amount", "The least lift would be more than the greatest: change one of them.")
            : (target, null, null);

    private static (Target?, string?, string?) No(string field, string why) => (null, field, why);
}
