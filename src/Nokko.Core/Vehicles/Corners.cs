using System.Text.Json.Serialization;

namespace Nokko.Core.Vehicles;

/// <summary>One of the two axles.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Axle>))]
public enum Axle
{
    /// <summary>The front axle.</summary>
    Front,

    /// <summary>The rear axle.</summary>
    Rear,
}

/// <summary>One of the four corners of a vehicle, in the order of vectors and matrices.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Corner>))]
public enum Corner
{
    /// <summary>Left front.</summary>
    [JsonStringEnumMemberName("LF")]
    LF,

    /// <summary>Right front.</summary>
    [JsonStringEnumMemberName("RF")]
    RF,

    /// <summary>Left rear.</summary>
    [JsonStringEnumMemberName("LR")]
    LR,

    /// <summary>Right rear.</summary>
    [JsonStringEnumMemberName("RR")]
    RR,
}

/// <summary>The corners and axles of a vehicle, and how they are said.</summary>
public static class Corners
{
    /// <summary>All corners, in the order of vectors and matrices.</summary>
    public static IReadOnlyList<Corner> All { get; } = [Corner.LF, Corner.RF, Corner.LR, Corner.RR];

    /// <summary>Both axles, front first.</summary>
    public static IReadOnlyList<Axle> Axles { get; } = [Axle.Front, Axle.Rear];

    private static readonly Corner[] OfFront = [Corner.LF, Corner.RF];
    private static readonly Corner[] OfRear = [Corner.LR, Corner.RR];

    /// <summary>The two corners of an axle, left first.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no axle.</exception>
    public static IReadOnlyList<Corner> Of(Axle axle) =>
        axle switch
        {
            Axle.Front => OfFront,
            Axle.Rear => OfRear,
            _ => throw new ArgumentOutOfRangeException(nameof(axle), axle, "No axle."),
        };

    /// <summary>The axle of a corner.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no corner.</exception>
    public static Axle AxleOf(Corner corner) =>
        corner switch
        {
            Corner.LF or Corner.RF => Axle.Front,
            Corner.LR or Corner.RR => Axle.Rear,
            _ => throw new ArgumentOutOfRangeException(nameof(corner), corner, "No corner."),
        };

    /// <summary>Name of the lip's station, and of the wheel, at a corner.</summary>
    public static string Name(this Corner corner) => corner.ToString();

    /// <summary>The corner whose lip or wheel has this name; null for any other place.</summary>
    public static Corner? Named(string? name) =>
        name switch
        {
            "LF" => Corner.LF,
            "RF" => Corner.RF,
            "LR" => Corner.LR,
            "RR" => Corner.RR,
            _ => null,
        };

    /// <summary>The axle at a place: its own, or that of a corner; null for any other place.</summary>
    /// <param name="where">LF, RF, LR, RR, front or rear; anything else is no place of an axle.</param>
    public static Axle? AxleAt(string where) =>
        Named(where) is { } corner ? AxleOf(corner)
        : where == Axle.Front.Said() ? Axle.Front
        : where == Axle.Rear.Said() ? Axle.Rear
        : null;

    /// <summary>An axle as said in a bay.</summary>
    public static string Said(this Axle axle) => axle == Axle.Front ? "front" : "rear";

    /// <summary>A corner as said in a bay.</summary>
    public static string Said(this Corner corner) => Said(corner.Name());

    /// <summary>Every station that has a name of its own, as said in a bay.</summary>
    public static IReadOnlyDictionary<string, string> Stations { get; } =
        new Dictionary<string, string>
        {
            ["LF"] = "left front",
            ["RF"] = "right front",
            ["LR"] = "left rear",
            ["RR"] = "right rear",
            ["LM"] = "left middle",
            ["RM"] = "right middle",
            ["sill LF"] = "left sill, front",
            ["sill LR"] = "left sill, rear",
            ["sill RF"] = "right sill, front",
            ["sill RR"] = "right sill, rear",
            ["bumper LF"] = "left front bumper corner",
            ["bumper RF"] = "right front bumper corner",
            ["bumper LR"] = "left rear bumper corner",
            ["bumper RR"] = "right rear bumper corner",
        };

    /// <summary>Any place at which something is measured, as said in a bay.</summary>
    public static string PlaceSaid(string place) =>
        Axles.Any(a => a.Said() == place) ? $"{place} axle" : Said(place);

    /// <summary>A station as said in a bay; its own name where somebody named it.</summary>
    public static string Said(string station) => Stations.GetValueOrDefault(station, station);
}
