namespace Nokko.Core.Vehicles;

/// <summary>How an axle is sprung and located. Front and rear are chosen separately.</summary>
public enum SuspensionKind
{
    /// <summary>Independent: double wishbones, coil-over on the lower arm. Pickups, SUVs, modern 4x4s, UTVs.</summary>
    CoilOverArm,

    /// <summary>Independent: strut-type, the upright rigid to the strut.</summary>
    Strut,

    /// <summary>Independent: links on a subframe, the coil on the lower one, the shock by itself.</summary>
    MultiLink,

    /// <summary>Independent: A-arms with a leaf spring across the vehicle. Carts and light UTVs.</summary>
    TransverseLeaf,

    /// <summary>Independent: double wishbones, a torsion bar turned by the lower arm. Older pickups and SUVs in front.</summary>
    TorsionBarArm,

    /// <summary>Independent: a trailing arm with a coil-over on it. UTV rears.</summary>
    TrailingArm,

    /// <summary>Live axle on coils, located by upper and lower links and a track bar.</summary>
    CoilFourLink,

    /// <summary>Live axle on coils, located by radius arms and a track bar.</summary>
    CoilRadiusArm,

    /// <summary>Live axle on coil-overs.</summary>
    CoilOverAxle,

    /// <summary>Live axle on leaf springs, axle below the spring.</summary>
    LeafOverslung,

    /// <summary>Live axle on leaf springs, axle above the spring.</summary>
    LeafUnderslung,
}

/// <summary>What the kinds of suspension have in common.</summary>
public static class SuspensionKinds
{
    /// <summary>Whether both wheels hang on one axle: the body rests on its springs, not on its wheels.</summary>
    public static bool IsLiveAxle(this SuspensionKind kind) =>
        kind
            is SuspensionKind.CoilFourLink
                or SuspensionKind.CoilRadiusArm
                or SuspensionKind.CoilOverAxle
                or SuspensionKind.LeafOverslung
                or SuspensionKind.LeafUnderslung;

    /// <summary>Whether the axle hangs on leaf springs along the vehicle.</summary>
    public static bool IsLeaf(this SuspensionKind kind) =>
        kind is SuspensionKind.LeafOverslung or SuspensionKind.LeafUnderslung;

    /// <summary>Whether leaves rub on one another, so that a height settles less well.</summary>
    public static bool Rubs(this SuspensionKind kind) =>
        kind.IsLeaf() || kind == SuspensionKind.TransverseLeaf;

    /// <summary>Whether spring and shock are one unit, foot to top.</summary>
    public static bool HasCoilOver(this SuspensionKind kind) =>
        kind
            is SuspensionKind.CoilOverArm
                or SuspensionKind.Strut
                or SuspensionKind.TrailingArm
                or SuspensionKind.CoilOverAxle;

    /// <summary>Whether it is sprung by coils, around a shock or by themselves.</summary>
    public static bool HasCoil(this SuspensionKind kind) =>
        !kind.Rubs() && kind != SuspensionKind.TorsionBarArm;

    /// <summary>Whether pivots of arms or links can be lowered by brackets or blocks.</summary>
    public static bool HasArms(this SuspensionKind kind) => !kind.IsLiveAxle();

    /// <summary>What is above and below a stack of this kind.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no kind.</exception>
    public static (string Above, string Below) Ends(this SuspensionKind kind) =>
        kind switch
        {
            SuspensionKind.CoilOverArm => ("body, tower", "lower arm"),
            SuspensionKind.Strut => ("body, tower", "upright"),
            SuspensionKind.MultiLink => ("body", "link"),
            SuspensionKind.TransverseLeaf => ("frame", "arm"),
            SuspensionKind.TorsionBarArm => ("frame", "lower arm"),
            SuspensionKind.TrailingArm => ("frame", "trailing arm"),
            SuspensionKind.LeafUnderslung => ("frame", "axle, above it"),
            SuspensionKind.CoilFourLink
            or SuspensionKind.CoilRadiusArm
            or SuspensionKind.CoilOverAxle
            or SuspensionKind.LeafOverslung => ("frame", "axle"),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No suspension."),
        };

    /// <summary>The kind as said in a bay.</summary>
    public static string Said(this SuspensionKind kind) =>
        kind switch
        {
            SuspensionKind.CoilOverArm => "coil-over on an arm",
            SuspensionKind.Strut => "strut",
            SuspensionKind.MultiLink => "coil on a link, subframe",
            SuspensionKind.TransverseLeaf => "A-arms on a leaf across",
            SuspensionKind.TorsionBarArm => "A-arms on torsion bars",
            SuspensionKind.TrailingArm => "trailing arm with a coil-over",
            SuspensionKind.CoilFourLink => "live axle on coils, four links",
            SuspensionKind.CoilRadiusArm => "live axle on coils, radius arms",
            SuspensionKind.CoilOverAxle => "live axle on coil-overs",
            SuspensionKind.LeafOverslung => "live axle, leaf springs above it",
            SuspensionKind.LeafUnderslung => "live axle, leaf springs below it",
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
}
