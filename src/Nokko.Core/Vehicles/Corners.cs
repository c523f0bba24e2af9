namespace Nokko.Core.Vehicles;

/// <summary>The four corners of a vehicle and the two axles, by their names in files and on screens.</summary>
public static class Corners
{
    /// <summary>Left front.</summary>
    public const string LF = "LF";

    /// <summary>Right front.</summary>
    public const string RF = "RF";

    /// <summary>Left rear.</summary>
    public const string LR = "LR";

    /// <summary>Right rear.</summary>
    public const string RR = "RR";

    /// <summary>The front axle.</summary>
    public const string Front = "front";

    /// <summary>The rear axle.</summary>
    public const string Rear = "rear";

    /// <summary>All corners, in the order of vectors and matrices.</summary>
    public static IReadOnlyList<string> All { get; } = [LF, RF, LR, RR];

    /// <summary>The two corners of an axle, left first.</summary>
    public static IReadOnlyList<string> Of(string axle) => axle == Front ? [LF, RF] : [LR, RR];

    /// <summary>The axle of a corner.</summary>
    public static string AxleOf(string corner) => corner is LF or RF ? Front : Rear;

    /// <summary>A corner or mid station as said in a bay.</summary>
    public static string Said(string station) =>
        station switch
        {
            LF => "left front",
            RF => "right front",
            LR => "left rear",
            RR => "right rear",
            "LM" => "left middle",
            "RM" => "right middle",
            "sill LF" => "left sill, front",
            "sill LR" => "left sill, rear",
            "sill RF" => "right sill, front",
            "sill RR" => "right sill, rear",
            "bumper LF" => "left front bumper corner",
            "bumper RF" => "right front bumper corner",
            "bumper LR" => "left rear bumper corner",
            "bumper RR" => "right rear bumper corner",
            _ => station,
        };
}
