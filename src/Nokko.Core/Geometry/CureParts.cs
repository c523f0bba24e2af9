using Nokko.Core.Shelf;

namespace Nokko.Core.Geometry;

/// <summary>Which parts take back what a lift moves, each set enough by itself.</summary>
/// <remarks>Source: docs/computation/finding.md#what-it-moves-within-its-limits. Whether a set of parts does it on this vehicle is worked out, not told here.</remarks>
public static class CureParts
{
    private static readonly PartKind[][] None = [];

    /// <summary>The sets of kinds that may take a mechanism back; none where no part does.</summary>
    /// <param name="kind">Which mechanism.</param>
    public static IReadOnlyList<IReadOnlyList<PartKind>> Of(MechanismKind kind) =>
        kind switch
        {
            // In front a bracket alone leaves the drag link: it and a pitman arm bring both down.
            MechanismKind.TrackBar =>
            [
                [PartKind.TrackBar],
                [PartKind.TrackBarBracket],
                [PartKind.TrackBarBracket, PartKind.PitmanArm],
            ],
            MechanismKind.Steering =>
            [
                [PartKind.PitmanArm],
                [PartKind.TrackBarBracket],
            ],
            MechanismKind.Caster =>
            [
                [PartKind.CasterBush],
                [PartKind.LinkBracket],
                [PartKind.UpperArm],
                [PartKind.LowerArm],
            ],
            MechanismKind.Pinion =>
            [
                [PartKind.LinkBracket],
                [PartKind.UpperArm],
                [PartKind.LowerArm],
            ],
            MechanismKind.Propshaft =>
            [
                [PartKind.AxleShim],
            ],
            MechanismKind.SwayBar =>
            [
                [PartKind.SwayBarLink],
            ],
            MechanismKind.Hoses =>
            [
                [PartKind.BrakeHoseBracket],
                [PartKind.BrakeHose],
            ],
            MechanismKind.CvShaft =>
            [
                [PartKind.DiffDrop],
            ],
            MechanismKind.Contacts =>
            [
                [PartKind.SteeringStops],
                [PartKind.WheelSpacer],
                [PartKind.SteeringStops, PartKind.WheelSpacer],
            ],
            MechanismKind.Arms
            or MechanismKind.Alignment
            or MechanismKind.Headlights
            or MechanismKind.AxleLoads
            or MechanismKind.CornerScales
            or MechanismKind.SideSlope => None,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };
}
