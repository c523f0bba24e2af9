using System.Text.Json.Serialization;

namespace Nokko.Core.Shelf;

/// <content>What a part is called elsewhere.</content>
public sealed partial record PartRule
{
    /// <summary>Its other names in a bay and on boxes, for finding.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> AlsoCalled =>
        Kind switch
        {
            PartKind.StrutTopSpacer => ["strut plate", "top plate", "strut extension"],
            PartKind.StrutLowerSpacer => ["lower strut plate", "foot spacer"],
            PartKind.PreloadSpacer => ["preload ring", "internal spacer", "coil-over spacer"],
            PartKind.RaisedCollar => ["spring perch", "threaded collar", "lock ring"],
            PartKind.TorsionAdjuster => ["torsion key", "torsion-bar key"],
            PartKind.CoilOver => ["strut", "spring strut", "strut assembly"],
            PartKind.CoilSpacer => ["spring spacer", "spring packer", "coil ring"],
            PartKind.Coil => ["spring", "lift spring"],
            PartKind.AirSpring => ["air bag", "air bellow"],
            PartKind.LeafPack => ["leaf spring", "spring pack"],
            PartKind.Block => ["lift block", "axle block"],
            PartKind.Shackle => ["hanger link"],
            PartKind.BodyPuck => ["body lift", "body spacer", "puck"],
            PartKind.BodyMount => ["body bush", "cab mount"],
            PartKind.DropBracket => ["relocation bracket", "crossmember drop"],
            PartKind.SubframeBlock => ["cradle spacer", "subframe spacer", "cradle drop"],
            PartKind.DiffDrop => ["diff drop", "differential spacer"],
            PartKind.BumpStopExtension => ["bump stop", "jounce stop", "buffer"],
            PartKind.Shock => ["damper", "shock absorber"],
            PartKind.SwayBarLink =>
            [
                "drop link",
                "stabilizer link",
                "anti-roll bar link",
                "end link",
            ],
            PartKind.HalfShaftSpacer => ["axle-shaft spacer", "CV spacer"],
            PartKind.TrackBar => ["panhard rod", "panhard bar"],
            PartKind.TrackBarBracket => ["panhard bracket", "track-bar relocation"],
            PartKind.UpperArm => ["upper control arm", "upper wishbone", "A-arm", "upper link"],
            PartKind.LowerArm => ["lower control arm", "trailing arm", "radius arm", "lower link"],
            PartKind.Upright => ["knuckle", "spindle", "steering knuckle"],
            PartKind.CasterBush => ["offset bush", "castor bush", "eccentric bush"],
            PartKind.LinkBracket => ["radius-arm drop", "control-arm drop bracket"],
            PartKind.AxleShim => ["pinion shim", "degree shim", "leaf wedge"],
            PartKind.UBolts => ["U bolts", "spring bolts"],
            PartKind.CrossMember => ["crossmember"],
            PartKind.SteeringDamper => ["steering stabilizer"],
            PartKind.DragLink => ["drag rod"],
            PartKind.PitmanArm => ["drop arm"],
            PartKind.SteeringStops => ["lock stops"],
            PartKind.Propshaft => ["driveshaft", "prop shaft", "carrier-bearing drop"],
            PartKind.LevelSensorLink => ["ride-height sensor link", "levelling rod"],
            PartKind.BrakeHose => ["brake line", "flex hose"],
            PartKind.BrakeHoseBracket => ["brake-line bracket", "hose drop"],
            PartKind.WheelSpacer => ["hub spacer", "track widener"],
            PartKind.Tyre => ["tire"],
            PartKind.Unknown => [],
            PartKind.Kit => ["lift kit", "box", "set"],
            _ => throw new ArgumentOutOfRangeException(nameof(Kind), Kind, "No kind."),
        };
}
