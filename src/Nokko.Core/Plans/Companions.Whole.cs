using System.Globalization;
using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <content>What follows for the whole vehicle: another suspension, the body on its mounts, the lamps.</content>
internal static partial class Companions
{
    /// <summary>What another suspension leaves to do, whatever it lifts.</summary>
    private static IEnumerable<Companion> Converted(AxleConversion conversion)
    {
        var (where, kind) = (conversion.Axle.Said(), conversion.To.Kind);
        yield return new(
            where,
            "Alignment of all four wheels",
            "nothing of the old setting holds on another suspension",
            false
        )
        {
            Word = Consequence.Must,
            Work = true,
        };
        yield return new(
            where,
            "Brake hoses, sensor leads and breather that reach",
            "through all of the new travel, at both locks where it steers",
            false
        );
        if (kind.IsLiveAxle())
        {
            yield return new(
                where,
                "Propshaft: length, slip and joints",
                "the axle stands and swings otherwise on its new links",
                false
            );
        }
        if (kind.IsLiveAxle() && !kind.IsLeaf() && conversion.Axle == Axle.Front)
        {
            yield return new(
                where,
                "Track bar and drag link of one length and slope",
                "a bar that swings otherwise than its drag link steers over bumps",
                false
            );
        }
        yield return new(
            where,
            "Approval of the conversion",
            "where the country asks for it: find out before the first cut",
            false
        )
        {
            Work = true,
        };
        yield return new(
            where,
            "Its sizes taped again once it stands",
            "those of the set-up count until then, and a second pass reckons with them",
            false
        )
        {
            Work = true,
        };
    }

    private static IEnumerable<Companion> Body(Plan plan)
    {
        var pucks = plan
            .Stacks.SelectMany(s => s.Parts)
            .Where(p => p.Kind == PartKind.BodyPuck)
            .ToArray();
        if (pucks.Length == 0)
        {
            yield break;
        }
        var tallest = pucks.Max(p => p.Thickness?.In(Unit.Mm) ?? 0);
        yield return new(
            "vehicle",
            $"Body bolts {LengthText.Both(tallest)} longer",
            "old length and the puck",
            false
        )
        {
            Word = Consequence.Must,
        };
        yield return new(
            "vehicle",
            "Steering shaft, brake lines, hoses, wires, filler, shrouds, bumper brackets",
            "the body leaves the frame: look at each before the first bolt. Battery off and wheel locked before the steering shaft is touched",
            false
        );
    }
}
