namespace Nokko.Core.Fitting;

/// <summary>What members of a vehicle are called elsewhere, so that a joint is found by any of its names.</summary>
public static class OtherNames
{
    /// <summary>Other names by the word that stands in a joint's place.</summary>
    public static IReadOnlyDictionary<string, IReadOnlyList<string>> All { get; } =
        new Dictionary<string, IReadOnlyList<string>>
        {
            ["track bar"] = ["panhard rod", "panhard bar"],
            ["sway-bar"] = ["anti-roll bar", "stabilizer", "drop link"],
            ["strut"] = ["coil-over", "spring strut"],
            ["upright"] = ["knuckle", "spindle"],
            ["knuckle"] = ["upright", "spindle"],
            ["lower arm"] = ["lower control arm", "lower wishbone", "A-arm"],
            ["upper arm"] = ["upper control arm", "upper wishbone", "A-arm"],
            ["trailing arm"] = ["swing arm"],
            ["trailing-arm"] = ["swing arm"],
            ["lower link"] = ["lower control arm"],
            ["upper link"] = ["upper control arm"],
            ["radius arm"] = ["leading arm"],
            ["half-shaft"] = ["drive shaft", "CV shaft"],
            ["axle nut"] = ["hub nut", "spindle nut"],
            ["propshaft"] = ["driveshaft", "propeller shaft"],
            ["carrier bearing"] = ["centre bearing", "hanger bearing"],
            ["shock"] = ["damper"],
            ["steering damper"] = ["steering stabilizer"],
            ["shackle"] = ["hanger link"],
            ["spring to axle"] = ["U-bolts"],
            ["spring seats"] = ["spring perch"],
            ["bump stop"] = ["jounce stop", "buffer"],
            ["torsion-bar"] = ["torsion key"],
            ["tie-rod end"] = ["track-rod end"],
            ["drag link"] = ["drag rod"],
            ["pitman arm"] = ["drop arm"],
            ["steering stops"] = ["lock stops"],
            ["subframe"] = ["cradle"],
            ["differential"] = ["diff"],
            ["cross member"] = ["crossmember"],
            ["body mount"] = ["body bush"],
            ["cab mount"] = ["body mount", "body bush"],
            ["bed mount"] = ["body mount", "bed bolt"],
            ["brake-hose"] = ["brake line", "flex hose"],
            ["level-sensor"] = ["ride-height sensor"],
            ["sensor-lead"] = ["ABS lead"],
            ["caliper"] = ["brake caliper"],
            ["wheel to hub"] = ["lug nuts", "wheel nuts"],
            ["strut centre nut"] = ["top nut", "piston-rod nut"],
            ["spring-collar"] = ["spring perch", "threaded collar"],
        };
}
