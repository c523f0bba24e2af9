using MathNet.Numerics.Distributions;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Practice;

/// <summary>A station at which the tape is not held right at first.</summary>
/// <param name="Station">The station.</param>
/// <param name="HookMm">How far the hook hangs off its edge, mm; 0 is seated.</param>
/// <param name="Eye">How far the eye is above the mark (+) or below it (−), in steps of <see cref="DrawnTape.StepDegrees"/>; 0 is level.</param>
public sealed record TapeFlaw(string Station, double HookMm, int Eye);

/// <summary>What is true of a practice vehicle and nobody says.</summary>
/// <remarks>Source: docs/computation/practice.md#hidden-truth. The same seed, level and course give the same vehicle.</remarks>
public sealed record HiddenTruth
{
    /// <summary>Seed of all that is left to chance.</summary>
    public required int Seed { get; init; }

    /// <summary>1 to <see cref="CourseRule.Levels"/>.</summary>
    public required int Level { get; init; }

    /// <summary>The course.</summary>
    public required Course Course { get; init; }

    /// <summary>Heights of the stations above the hub as it would stand without a fault, as it came, mm.</summary>
    public required IReadOnlyDictionary<string, double> Healthy { get; init; }

    /// <summary>Height of a hub above the floor, mm.</summary>
    public required double RadiusMm { get; init; }

    /// <summary>How much of what is foretold the front does.</summary>
    public required double FrontShare { get; init; }

    /// <summary>How much of what is foretold the rear does.</summary>
    public required double RearShare { get; init; }

    /// <summary>What is wrong with it.</summary>
    public required IReadOnlyList<HiddenFault> Faults { get; init; }

    /// <summary>Where the tape is not held right at first.</summary>
    public required IReadOnlyList<TapeFlaw> Flaws { get; init; }

    /// <summary>What was really fitted and came, of a job of the shop; null of others.</summary>
    public string? Came { get; init; }

    /// <summary>Spread of this vehicle's lift about what is foretold: a rule of thumb.</summary>
    private const double ShareSd = 0.04;

    /// <summary>Draws a vehicle.</summary>
    /// <param name="seed">Seed of all that is left to chance.</param>
    /// <param name="level">1 to <see cref="CourseRule.Levels"/>.</param>
    /// <param name="course">One of the courses that ship.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such level, or the course is drawn from a job.</exception>
    public static HiddenTruth Draw(int seed, int level, Course course)
    {
        if (level is < 1 or > CourseRule.Levels)
        {
            throw new ArgumentOutOfRangeException(nameof(level), level, "No level.");
        }
        if (course == Course.OwnJob)
        {
            throw new ArgumentOutOfRangeException(
                nameof(course),
                course,
                "It is drawn from a job."
            );
        }
        var chance = new Random(unchecked((seed * 31) + (level * 7) + (int)course));
        var front = 508 + (22 * chance.NextDouble());
        // Nose-down by 1 3/4 to 2 1/2 in: what a plate of the shelf can take out.
        var rear = front + 45 + (18 * chance.NextDouble());
        double Own() => Math.Clamp(Normal.Sample(chance, 0, 0.8), -1.6, 1.6);
        var lips = new Dictionary<string, double>
        {
            ["LF"] = front + Own(),
            ["RF"] = front + Own(),
            ["LR"] = rear + Own(),
            ["RR"] = rear + Own(),
        };
        var faults = FaultsOf(level, course, chance);
        if (faults.Any(f => f.Of == Fault.SidesSwapped))
        {
            // Two plates of different thickness were to take a lean out.
            lips["RF"] -= 10;
        }
        var mid = front + (0.42 * (rear - front)) + 120;
        lips["LM"] = mid + Own();
        lips["RM"] = mid + Own();
        return new HiddenTruth
        {
            Seed = seed,
            Level = level,
            Course = course,
            Healthy = lips,
            RadiusMm = 368 + (10 * chance.NextDouble()),
            // Of a lift that went wrong the parts did what was foretold: what it is off by is what went wrong.
            FrontShare = course == Course.WentWrong ? 1 : Share(chance),
            RearShare = Share(chance),
            Faults = faults,
            Flaws = FlawsOf(level, chance),
        };
    }

    private static double Share(Random chance) =>
        Math.Clamp(Normal.Sample(chance, 1, ShareSd), 1 - (2 * ShareSd), 1 + (2 * ShareSd));

    private static HiddenFault[] FaultsOf(int level, Course course, Random chance)
    {
        Fault[] before =
        [
            Fault.LoadLeftIn,
            Fault.TiredSpring,
            Fault.SoftTyre,
            Fault.FloorOff,
            Fault.MountCrushed,
            Fault.OffCentre,
            Fault.WillNotAlign,
        ];
        Fault[] since = [Fault.NotSeated, Fault.TightenedHanging, Fault.SidesSwapped];
        chance.Shuffle(before);
        // Two that lower the same end by themselves would be one riddle, not two: the first two places are what comes.
        var found = (course, level) switch
        {
            (Course.Measure, 1) => [Fault.LoadLeftIn],
            (Course.Measure, 2) => before[..1],
            (Course.Measure, _) => before[..2],
            (Course.Level, 1) => [],
            (Course.Level, 2) => before[..1],
            (Course.Level, _) => before[..2],
            (_, 1) => [since[chance.Next(2)]],
            (_, 2) => [since[chance.Next(3)]],
            _ => (Fault[])[since[chance.Next(3)], before[0]],
        };
        return [.. found.Select(f => Placed(f, chance))];
    }

    private static HiddenFault Placed(Fault fault, Random chance)
    {
        var any = Corners.All[chance.Next(4)].Name();
        var size = chance.NextDouble();
        return fault switch
        {
            Fault.LoadLeftIn => new(fault, "rear", 16 + (10 * size)),
            Fault.TiredSpring => new(fault, any, 14 + (8 * size)),
            Fault.SoftTyre => new(fault, any, 16 + (6 * size)),
            Fault.FloorOff => new(fault, any, 12 + (8 * size)),
            Fault.MountCrushed => new(fault, size < 0.5 ? "left" : "right", 9 + (5 * size)),
            Fault.NotSeated => new(fault, size < 0.5 ? "LF" : "RF", 18 + (6 * size)),
            Fault.TightenedHanging => new(fault, "front", 12 + (5 * size)),
            Fault.SidesSwapped => new(fault, "front", 0),
            Fault.OffCentre => new(fault, "rear", 12 + (8 * size)),
            Fault.WillNotAlign => new(fault, "front", 0),
            _ => throw new ArgumentOutOfRangeException(nameof(fault), fault, "No fault."),
        };
    }

    private static TapeFlaw[] FlawsOf(int level, Random chance)
    {
        string[] stations = ["LF", "LM", "LR", "RR", "RM", "RF"];
        chance.Shuffle(stations);
        // On the first level the eye is off once, so that it is seen what that does; then more, and hooks that hang.
        return
        [
            .. stations[..(2 * level - 1)]
                .Select(
                    (s, i) =>
                        i % 2 == 0
                            ? new TapeFlaw(s, 0, chance.Next(2) == 0 ? 1 : -1)
                            : new TapeFlaw(s, 6 + (5 * chance.NextDouble()), 0)
                ),
        ];
    }
}
