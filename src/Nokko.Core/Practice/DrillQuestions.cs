using System.Globalization;
using Nokko.Core.Papers;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>Questions of drills.</summary>
internal static partial class DrillQuestions
{
    private const double ThirtySecond = 25.4 / 32;

    private static readonly Quantity Sixteenth = new()
    {
        Value = 1.0 / 16,
        Unit = Unit.Inch,
        Known = Known.Document,
    };

    /// <summary>Twenty tapes that are held right.</summary>
    public static IEnumerable<DrillQuestion> Tapes(Random chance)
    {
        for (var i = 0; i < 20; i++)
        {
            // From sixteenths to what lies between two lines.
            var step = i < 12 ? 2 : 1;
            var thirtySeconds = chance.Next(16 * 32 / step, 44 * 32 / step) * step;
            var datum = i % 3 == 2 ? Datum.Floor : Datum.Hub;
            yield return new DrillQuestion(
                datum == Datum.Floor
                    ? "What does it read at the floor?"
                    : "What does it read at the hub’s centre?",
                DrawnTape.Of(thirtySeconds * ThirtySecond, Sixteenth, datum, 0, 0),
                [],
                [],
                thirtySeconds,
                $"It reads {LengthText.Show(thirtySeconds * ThirtySecond, new LengthStyle(Unit.Inch, 32))}.",
                "measuring"
            );
        }
    }

    /// <summary>Heights whose datum nobody wrote down.</summary>
    public static IEnumerable<DrillQuestion> Datums(Random chance)
    {
        string[] sizes = ["265/70R17", "245/75R16", "285/70R17", "255/60R18", "235/75R15"];
        Datum[] datums = [Datum.Hub, Datum.Rim, Datum.Floor];
        for (var i = 0; i < 10; i++)
        {
            var size = sizes[chance.Next(sizes.Length)];
            var radii = WalkRounds.Datums.Estimate(TyreSize.Parse(size)!);
            var hub = 500 + (70 * chance.NextDouble());
            var other = Array.IndexOf(datums, datums[chance.Next(3)]);
            var datum = datums[chance.Next(3)];
            string At(double lip, Datum from) =>
                LengthText.Show(
                    WalkRounds.Datums.Convert(lip, 0, Datum.Hub, from, radii)!.Value.Mm,
                    LengthStyle.Inches
                );
            var r = LengthText.Show(radii.LoadedRadiusMm, LengthStyle.Inches);
            var rim = LengthText.Show(radii.RimRadiusMm, LengthStyle.Inches);
            yield return new DrillQuestion(
                "From where was the left front lip measured?",
                null,
                [
                    new("Tyre", [size]),
                    new("Hub over the floor, about", [r]),
                    new("Rim, centre to edge, about", [rim]),
                    new(
                        $"Left rear, from the {Word(datums[other])}",
                        [At(hub + 45 + (20 * chance.NextDouble()), datums[other])]
                    ),
                    new("Left front, from ?", [At(hub, datum)]),
                ],
                ["hub centre", "edge of the rim", "floor"],
                Array.IndexOf(datums, datum),
                $"A lip stands about 16 to 30 in over its hub. From the floor it is {r} more, from the rim’s edge {rim} more.",
                "from-where"
            );
        }

        static string Word(Datum datum) =>
            datum switch
            {
                Datum.Hub => "hub",
                Datum.Rim => "rim",
                _ => "floor",
            };
    }

    /// <summary>Six stations before and after, one of them misread.</summary>
    public static IEnumerable<DrillQuestion> OffReadings(Random chance)
    {
        var sizes = VehicleDefaults.Fill(new VehicleDimensions(), VehicleKind.Pickup);
        var stations = VehicleDefaults.Stations(sizes, VehicleKind.Pickup);
        for (var i = 0; i < 8; )
        {
            var (z, pitch, roll) = (
                30 + (30 * chance.NextDouble()),
                0.012 * (chance.NextDouble() - 0.5),
                0.006 * (chance.NextDouble() - 0.5)
            );
            var slipped = chance.Next(stations.Count);
            var slip = (12 + (10 * chance.NextDouble())) * (chance.Next(2) == 0 ? 1 : -1);
            (Station Of, double Before, double After)[] read =
            [
                .. stations.Select(
                    (s, n) =>
                    {
                        var before = Whole(Corners.Named(s.Name) is null ? 1040 : 515 + (n * 8));
                        // Stryker disable once all : which way it pitches and rolls is drawn by chance
                        var plane = z - (s.X.In(Unit.Mm) * pitch) + (s.Y.In(Unit.Mm) * roll);
                        var rise = plane + (n == slipped ? slip : 0);
                        return (s, before, Whole(before + rise));
                    }
                ),
            ];
            var fit = RigidBodyCheck.Fit([
                .. read.Select(r => new StationRise(
                    r.Of.Name,
                    r.Of.X.In(Unit.Mm),
                    r.Of.Y.In(Unit.Mm),
                    r.After - r.Before,
                    1.5
                )),
            ])!;
            var name = stations[slipped].Name;
            // Only what six readings can tell is asked.
            if (fit.ReadAgain != name || fit.Suspects.Count > 1)
            {
                continue;
            }
            i++;
            yield return new DrillQuestion(
                "One of these was misread. Which?",
                null,
                [
                    new("", ["before", "after", "rose"]),
                    .. read.Select(r => new DrillRow(
                        Said(r.Of.Name),
                        [
                            LengthText.Show(r.Before, LengthStyle.Inches),
                            LengthText.Show(r.After, LengthStyle.Inches),
                            LengthText.Show(r.After - r.Before, LengthStyle.Inches),
                        ]
                    )),
                ],
                [.. stations.Select(s => Said(s.Name))],
                slipped,
                $"A stiff body rises along one plane. By the five others the {Corners.Said(name)} should have risen {LengthText.Show(fit.Stations.First(s => s.Station == name).LeftOutMm!.Value, LengthStyle.Inches)}.",
                "what-it-says"
            );
        }

        static double Whole(double mm) => Math.Round(mm / (25.4 / 16)) * (25.4 / 16);

        static string Said(string station) => RecordPaper.Sentence(Corners.Said(station));
    }

    private static readonly string[] Kinds =
    [
        "thickness",
        "claim",
        "predicted lift",
        "measured lift",
        "extension",
    ];

    /// <summary>Numbers of which it has to be said what they are.</summary>
    public static IEnumerable<DrillQuestion> Figures(Random chance)
    {
        (string Ask, int Right, string Why)[] all =
        [
            .. Enumerable
                .Range(0, 2)
                .SelectMany(_ =>
                {
                    var t = chance.Next(6, 16) / 8.0;
                    var (plate, box, rise) = (Inch(t), Inch(t * 2), Inch((t * 1.9) - 0.125));
                    return ((string, int, string)[])
                        [
                            (
                                $"The caliper over the plate shows {plate}.",
                                0,
                                "What is taped on the part is its thickness. What it lifts depends on the arm that it stands on."
                            ),
                            (
                                $"The box says: lifts {box}.",
                                1,
                                "What a maker says is a claim. It was made on another vehicle, perhaps with other springs."
                            ),
                            (
                                $"{plate} of plate times a ratio of 1.9: {Inch(t * 1.9)}.",
                                2,
                                "What is reckoned before the work is a prediction. It has a ± until somebody measures."
                            ),
                            (
                                $"From the hub, rolled: {Inch(20.5)} before, {Inch(20.5 + (t * 1.9) - 0.125)} after, so {rise}.",
                                3,
                                "The difference of two readings, in one datum, both settled, is a measured lift."
                            ),
                            (
                                $"With the plate on, the strut’s studs stand {plate} further down than before.",
                                4,
                                "What a part adds to the length of studs or strut is its extension: it decides whether they go through, not how high it sits."
                            ),
                        ];
                }),
        ];
        chance.Shuffle(all);
        return all.Select(q => new DrillQuestion(
            q.Ask,
            null,
            [],
            Kinds,
            q.Right,
            q.Why,
            "what-a-spacer-really-lifts"
        ));

        static string Inch(double inches) => LengthText.Show(inches * 25.4, LengthStyle.Inches);
    }
}
