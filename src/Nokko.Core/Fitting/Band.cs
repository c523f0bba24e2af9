namespace Nokko.Core.Fitting;

/// <summary>Joints that are opened in one step; its key stays when the card is made anew.</summary>
/// <param name="Key">The end of the step's key.</param>
/// <param name="From">Its least rank.</param>
/// <param name="Said">The title of its step.</param>
internal sealed record Band(string Key, int From, string Said)
{
    private static readonly Band[] All =
    [
        new("free", 0, "Free what bends and would be pulled"),
        new("steering-shaft", 10, "Steering shaft parted"),
        new("links", 20, "Sway-bar link off"),
        new("steering", 24, "Steering joint parted"),
        new("brake", 30, "Brake parted"),
        new("shaft", 35, "Half-shaft freed"),
        new("track-bar", 40, "Track bar off"),
        new("torsion-bar", 43, "Torsion bar out"),
        new("shock", 45, "Shock off"),
        new("part", 50, "Parted"),
        new("strut", 60, "Strut off"),
        new("centre-nut", 67, "Strut opened"),
        new("collar", 68, "Lock ring loose"),
        new("stop", 69, "Bump stop off"),
        new("spring", 70, "Spring out"),
        new("u-bolts", 75, "U-bolts out"),
        new("eyes", 80, "Spring eyes and shackle"),
        new("bench-bolt", 83, "Pack opened"),
        new("pivots", 84, "Pivots out"),
        new("propshaft", 86, "Propshaft off"),
        new("differential", 88, "Differential down"),
        new("subframe", 95, "Subframe bolts out"),
        new("mounts", 98, "Mount bolts out"),
    ];

    /// <summary>The band of a rank.</summary>
    public static Band Of(int rank) => All.Last(b => b.From <= rank);

    /// <summary>Whether what comes off is heavy.</summary>
    public bool Heavy => From >= 50;

    /// <summary>The title of the step that opens these joints.</summary>
    public string Title(IReadOnlyList<GraphJoint> joints)
    {
        var names = joints.Select(j => j.Name).Distinct().ToArray();
        return Key switch
        {
            "part" or "brake" or "steering" or "pivots" or "track-bar" or "shaft" =>
                $"{Said}: {string.Join(", ", names)}",
            "collar" when names.Contains(Names.Adjuster) => "Adjuster's lock loose",
            "strut" => names.Contains(Names.StrutTop) ? "Strut out" : "Strut foot off",
            "eyes" => names.Contains(Names.FixedEye) ? Said : "Shackle off",
            _ => Said,
        };
    }
}
