using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Old bolts that come out of one place and serve in another.</summary>
/// <param name="From">The place that they come out of.</param>
/// <param name="Position">Where they sat in it.</param>
/// <param name="Count">How many.</param>
public sealed record OldBolts(string From, string Position, int Count);

/// <summary>Fasteners of a joint that go through a part which comes or goes.</summary>
/// <param name="Where">Corner, axle or vehicle.</param>
/// <param name="Place">The joint.</param>
/// <param name="Fastener">The fasteners, as they are known.</param>
/// <param name="NowMm">Length that is in it now, mm; null is not taped.</param>
/// <param name="GrowsMm">By what the part makes them longer, below zero shorter, mm; null where nobody noted it of the part.</param>
/// <param name="NeededMm">Length that it needs, mm; null is not known.</param>
/// <param name="Old">Old bolts of other places that serve here.</param>
/// <param name="Serve">How many of the old ones of this place serve elsewhere.</param>
/// <param name="New">How many are to be bought; null where that cannot be told yet.</param>
public sealed record BoltRow(
    string Where,
    string Place,
    Fastener Fastener,
    double? NowMm,
    double? GrowsMm,
    double? NeededMm,
    IReadOnlyList<OldBolts> Old,
    int Serve,
    int? New
)
{
    /// <summary>Whether it needs another length than it has.</summary>
    public bool Another => GrowsMm is not (null or 0);
}

/// <summary>Which bolts a plan makes longer, by what, and which old ones serve in another place.</summary>
/// <remarks>Source: docs/computation/companions.md#bolts-by-place.</remarks>
public static class BoltTable
{
    /// <summary>By how much a bolt may be longer than it must be, mm: three threads. A rule of thumb; it must not meet the end of its hole.</summary>
    public const double MostOverMm = 5;

    /// <summary>By how much it may be shorter, mm: what a rule laid on a bolt reads wrong.</summary>
    public const double MostUnderMm = 0.5;

    /// <summary>The rows of a card, in the order of closing.</summary>
    /// <param name="card">The card, with what is known of its joints.</param>
    /// <param name="changes">What comes and goes at each corner.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="conversions">Axles that get another suspension: it brings its own bolts.</param>
    /// <param name="begun">Whether the fitting has begun: then the length that is needed is kept with each fastener.</param>
    internal static IReadOnlyList<BoltRow> Of(
        JobCard card,
        IReadOnlyList<CornerChange> changes,
        Vehicle vehicle,
        IReadOnlyList<AxleConversion> conversions,
        bool begun
    )
    {
        BoltRow[] rows =
        [
            .. from joint in card.Joints
            where !Renewed(joint)
            let grows = Growth(joint, changes, vehicle)
            where grows.Through
            from fastener in joint.Fasteners
            select Row(joint, fastener, grows.Mm, begun),
        ];
        return Served(rows, card.Steps);

        bool Renewed(CardJoint joint) =>
            conversions.Any(c => c.Axle == Corners.AxleAt(joint.Where))
            && card.Graph!.Find(joint.Place)!.OfSuspension;
    }

    private static BoltRow Row(CardJoint joint, Fastener fastener, double? grows, bool begun)
    {
        // What an earlier fitting put in is what is in it now.
        var now = (
            begun ? fastener.LengthFound : fastener.LengthNeeded ?? fastener.LengthFound
        )?.In(Unit.Mm);
        var needed = (begun ? fastener.LengthNeeded?.In(Unit.Mm) : null) ?? now + grows;
        return new BoltRow(
            joint.Where,
            joint.Place,
            fastener,
            now,
            grows,
            needed,
            [],
            0,
            fastener.NewPartOnly || grows is not (null or 0) ? fastener.Count
                : grows is null ? null
                : 0
        );
    }

    /// <summary>Whether a part that comes or goes lies between what a joint holds, and by what its bolts grow.</summary>
    private static (bool Through, double? Mm) Growth(
        CardJoint joint,
        IReadOnlyList<CornerChange> changes,
        Vehicle vehicle
    )
    {
        var (through, grows) = (false, (double?)0);
        foreach (var change in changes)
        {
            bool Here(PlacedPart p) =>
                Through(vehicle, change.Corner, p.Kind).Contains(joint.Place);
            if (!change.Parts.Any(Here))
            {
                continue;
            }
            var mm = Sum(change.After.Where(Here)) - Sum(change.Before.Where(Here));
            // A joint that an axle has once goes through one part, whichever corner it was placed at.
            grows =
                !through ? mm
                : grows is null || mm is null ? null
                : Math.Abs(mm.Value) > Math.Abs(grows.Value) ? mm
                : grows;
            through = true;
        }
        return (through, grows);

        static double? Sum(IEnumerable<PlacedPart> parts) =>
            parts.Aggregate((double?)0, (sum, p) => sum + GripMm(p));
    }

    /// <summary>What a part adds to the length of bolts that go through it, mm; null where nobody noted it.</summary>
    private static double? GripMm(PlacedPart part) =>
        part.Get(PartSizes.BoltsLonger)
        ?? (PartRule.Of(part.Kind).Clamped ? part.Thickness?.In(Unit.Mm) : null);

    /// <summary>Places whose bolts go through a part of a kind at a corner.</summary>
    private static IEnumerable<string> Through(Vehicle vehicle, Corner corner, PartKind kind)
    {
        var axle = Corners.AxleOf(corner);
        var (where, names) = kind switch
        {
            PartKind.BodyPuck or PartKind.BodyMount => (
                corner.Name(),
                BodyGraph.Mounts(vehicle, corner)
            ),
            PartKind.SubframeBlock => (corner.Name(), [Names.Subframe]),
            PartKind.HalfShaftSpacer => (corner.Name(), [Names.HalfShaft]),
            PartKind.StrutLowerSpacer => (
                corner.Name(),
                [Names.StrutFoot(vehicle.SuspensionOf(axle).Kind)]
            ),
            PartKind.BumpStopExtension => (corner.Name(), [Names.BumpStop]),
            PartKind.DropBracket => (corner.Name(), [Names.LowerPivots, Names.ArmPivot]),
            PartKind.LinkBracket => (
                corner.Name(),
                [Names.RadiusFrame, Names.LowerLinkFrame, Names.UpperLinkFrame]
            ),
            PartKind.TrackBarBracket => (axle.Said(), [Names.TrackBarAxle]),
            PartKind.DiffDrop => (axle.Said(), [Names.Diff]),
            PartKind.CrossMember => (axle.Said(), [Names.CrossMember]),
            PartKind.Propshaft => (axle.Said(), [Names.CarrierBearing]),
            _ => ("", (IReadOnlyList<string>)[]),
        };
        return names.Select(n => $"{where} {n}");
    }

    /// <summary>Gives old bolts to places where they serve: as many as can be, each once, out before it goes in.</summary>
    private static IReadOnlyList<BoltRow> Served(BoltRow[] rows, IReadOnlyList<CardStep> steps)
    {
        var givers = rows.SelectMany((r, i) => Gives(r) ? Pieces(i, r) : []).ToArray();
        var takers = rows.SelectMany((r, i) => Takes(r) ? Pieces(i, r) : []).ToArray();
        var given = Matching(
            givers.Length,
            takers.Length,
            (g, t) => Serves(rows[givers[g]], rows[takers[t]])
        );
        return
        [
            .. rows.Select(
                (row, i) =>
                {
                    OldBolts[] old =
                    [
                        .. given
                            .Select((giver, taker) => (giver, taker))
                            .Where(x => x.giver is not null && takers[x.taker] == i)
                            .CountBy(x => givers[x.giver!.Value])
                            .OrderBy(x => x.Key)
                            .Select(x => new OldBolts(
                                rows[x.Key].Place,
                                rows[x.Key].Fastener.Position,
                                x.Value
                            )),
                    ];
                    return row with
                    {
                        Old = old,
                        Serve = given.Count(g => g is { } giver && givers[giver] == i),
                        New = row.New - old.Sum(o => o.Count),
                    };
                }
            ),
        ];

        static IEnumerable<int> Pieces(int row, BoltRow r) =>
            Enumerable.Repeat(row, r.Fastener.Count);
        bool Gives(BoltRow r) =>
            r is { Another: true, NowMm: not null, Fastener.NewPartOnly: false };
        bool Takes(BoltRow r) =>
            r is { Another: true, NeededMm: not null, Fastener.NewPartOnly: false };
        bool Serves(BoltRow from, BoltRow to) =>
            from.NowMm - to.NeededMm is >= -MostUnderMm and <= MostOverMm
            && Alike(from.Fastener.Thread, to.Fastener.Thread)
            && Alike(from.Fastener.Grade, to.Fastener.Grade)
            && OutAt(from.Place) < HomeAt(to.Place);
        int OutAt(string place) => At(s => s.Opens.Contains(place));
        int HomeAt(string place) => At(s => s.Pass == Pass.Hand && s.Joints.Contains(place));
        int At(Func<CardStep, bool> what) =>
            steps
                .Select((s, i) => (s, i))
                .Where(x => what(x.s))
                .Select(x => x.i)
                .FirstOrDefault(-1);
    }

    /// <summary>Whether two threads or grades are the same and known, however they are spaced.</summary>
    private static bool Alike(string? a, string? b) =>
        TypedText.Blank(a) is { } one
        && TypedText.Blank(b) is { } other
        && Plain(one) == Plain(other);

    private static string Plain(string said) =>
        string.Concat(said.ToLowerInvariant().Replace('×', 'x').Where(c => !char.IsWhiteSpace(c)));

    /// <summary>For each taker the giver that serves it, as many as can be: augmenting paths (Kuhn).</summary>
    private static int?[] Matching(int givers, int takers, Func<int, int, bool> serves)
    {
        var of = new int?[givers];
        for (var taker = 0; taker < takers; taker++)
        {
            Find(taker, new bool[givers]);
        }
        return
        [
            .. Enumerable
                .Range(0, takers)
                .Select(t => Array.IndexOf(of, t) is var g and >= 0 ? g : (int?)null),
        ];

        bool Find(int taker, bool[] seen)
        {
            for (var giver = 0; giver < givers; giver++)
            {
                if (seen[giver] || !serves(giver, taker))
                {
                    continue;
                }
                seen[giver] = true;
                if (of[giver] is not { } now || Find(now, seen))
                {
                    of[giver] = taker;
                    return true;
                }
            }
            return false;
        }
    }
}
