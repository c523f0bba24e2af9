using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>Cards that were read line by line: what is done, by what it is held, what is closed. After a change <c>NOKKO_KEEP_CARDS=1</c> writes them anew, to be read again.</summary>
public class KeptCardsTests
{
    private static readonly string Folder = Path.Combine(Root(), "Fitting", "cards");

    private static string Root([System.Runtime.CompilerServices.CallerFilePath] string file = "") =>
        Path.GetDirectoryName(Path.GetDirectoryName(file))!;

    private static PlacedPart Part(int n, PartKind kind) =>
        Sample.Plate(n, 25, kind) with
        {
            Name = PartRule.Of(kind).Said,
        };

    private static (Corner, PlacedPart)[] Both(Axle axle, params PartKind[] kinds) =>
        [
            .. Corners
                .Of(axle)
                .SelectMany(c => kinds.Select((k, i) => (c, Part(30 + i + (10 * (int)c), k)))),
        ];

    private static JobCard Card(
        SuspensionKind front,
        SuspensionKind rear,
        (Corner, PlacedPart)[] parts,
        Equipment equipment = Equipment.TwoPostLift,
        FittingSchools? schools = null
    ) => Cards.Of(front, rear, equipment, schools, parts);

    private static readonly Dictionary<string, Func<JobCard>> All = new()
    {
        ["plate-upper-ball"] = () => Plate(OpenArm.UpperBall),
        ["plate-lower-bracket"] = () => Plate(OpenArm.LowerBracket),
        ["plate-inner-pivots"] = () => Plate(OpenArm.InnerPivots),
        ["plate-nothing-parted"] = () => Plate(OpenArm.None),
        ["strut-opened"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung,
                Both(Axle.Front, PartKind.PreloadSpacer)
            ),
        ["strut-on-upright-subframe-behind"] = () =>
            Card(
                SuspensionKind.Strut,
                SuspensionKind.MultiLink,
                [
                    .. Both(Axle.Front, PartKind.StrutTopSpacer),
                    .. Both(Axle.Rear, PartKind.SubframeBlock),
                ],
                Equipment.JackAndStands
            ),
        ["coils-and-track-bar-bracket"] = () =>
            Card(
                SuspensionKind.CoilRadiusArm,
                SuspensionKind.CoilFourLink,
                [
                    .. Both(Axle.Front, PartKind.CoilSpacer),
                    .. Both(Axle.Rear, PartKind.CoilSpacer),
                    (Corner.LF, Part(80, PartKind.TrackBarBracket)),
                ]
            ),
        ["coils-and-track-bar"] = () =>
            Card(
                SuspensionKind.CoilRadiusArm,
                SuspensionKind.CoilFourLink,
                [
                    .. Both(Axle.Front, PartKind.CoilSpacer),
                    (Corner.LF, Part(90, PartKind.TrackBar)),
                    .. Both(Axle.Rear, PartKind.Coil, PartKind.BumpStopExtension),
                ]
            ),
        ["blocks"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung,
                Both(Axle.Rear, PartKind.Block)
            ),
        ["shackles"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafUnderslung,
                Both(Axle.Rear, PartKind.Shackle)
            ),
        ["tyres"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung,
                [.. Both(Axle.Front, PartKind.Tyre), .. Both(Axle.Rear, PartKind.Tyre)],
                Equipment.JackAndStands
            ),
        ["shocks"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.CoilFourLink,
                Both(Axle.Rear, PartKind.Shock)
            ),
        ["body-pucks"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung,
                [.. Corners.All.Select(c => (c, Part(30 + (int)c, PartKind.BodyPuck)))]
            ),
        ["drop-brackets"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.LeafOverslung,
                [
                    .. Both(Axle.Front, PartKind.DropBracket),
                    (Corner.LF, Part(90, PartKind.DiffDrop)),
                    (Corner.LF, Part(91, PartKind.CrossMember)),
                ]
            ),
        ["collar"] = () =>
            Card(
                SuspensionKind.CoilOverArm,
                SuspensionKind.TrailingArm,
                Both(Axle.Rear, PartKind.RaisedCollar)
            ),
        ["coil-on-link"] = () =>
            Card(
                SuspensionKind.Strut,
                SuspensionKind.MultiLink,
                Both(Axle.Rear, PartKind.CoilSpacer)
            ),
        ["adjusters-turned-again"] = () =>
        {
            return JobCard.Derive(
                Sample.AsFound with
                {
                    Stacks = Sample.Plan((Corner.LF, Sample.Adjuster(30, 2))).Stacks,
                },
                Sample.Plan(
                    (Corner.LF, Sample.Adjuster(31, 3.5)),
                    (Corner.RF, Sample.Adjuster(32, 1))
                ),
                Cards.Vehicle(SuspensionKind.TorsionBarArm, SuspensionKind.LeafOverslung),
                Equipment.TwoPostLift
            );
        },
        ["arms-under-torsion-bars"] = () =>
            Card(
                SuspensionKind.TorsionBarArm,
                SuspensionKind.LeafOverslung,
                Both(Axle.Front, PartKind.LowerArm),
                Equipment.JackAndStands
            ),
        ["arms-and-sensor-on-air"] = () =>
        {
            var vehicle = Cards.Vehicle(SuspensionKind.Strut, SuspensionKind.MultiLink);
            return JobCard.Derive(
                Sample.AsFound,
                Sample.Plan([
                    .. Both(Axle.Rear, PartKind.LowerArm),
                    (Corner.LR, Part(90, PartKind.LevelSensorLink)),
                ]),
                vehicle with
                {
                    Rear = vehicle.Rear with
                    {
                        Medium = SpringMedium.Air,
                        HeightControl = HeightControl.OneSensor,
                    },
                },
                Equipment.TwoPostLift
            );
        },
        ["air-springs"] = () =>
        {
            var vehicle = Cards.Vehicle(SuspensionKind.CoilOverArm, SuspensionKind.CoilFourLink);
            return JobCard.Derive(
                Sample.AsFound,
                Sample.Plan(Both(Axle.Rear, PartKind.AirSpring)),
                vehicle with
                {
                    Rear = vehicle.Rear with
                    {
                        Medium = SpringMedium.Air,
                        HeightControl = HeightControl.TwoSensors,
                    },
                },
                Equipment.JackAndStands
            );
        },
        ["second-pass-plate-moved"] = () =>
        {
            var (thick, thin) = (
                Part(30, PartKind.StrutTopSpacer),
                Part(31, PartKind.StrutTopSpacer)
            );
            return JobCard.Derive(
                Sample.AsFound with
                {
                    Stacks = Sample.Plan((Corner.LF, thick), (Corner.RF, thin)).Stacks,
                },
                Sample.Plan((Corner.LF, thin), (Corner.RF, thick)),
                Cards.Vehicle(SuspensionKind.CoilOverArm, SuspensionKind.LeafOverslung),
                Equipment.Pit
            );
        },
    };

    public static TheoryData<string> Names => [.. All.Keys];

    private static JobCard Plate(OpenArm way) =>
        Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            [(Corner.LF, Part(30, PartKind.StrutTopSpacer))],
            schools: new() { OpenArm = way }
        );

    [Theory]
    [MemberData(nameof(Names))]
    public void A_card_is_as_it_was_read(string name)
    {
        Same(name, CardText.Of(All[name]()));
    }

    /// <summary>The usual set of a suspension, front and rear: each joint with its kind, what hangs on what, its fasteners and how it is undone.</summary>
    [Theory]
    [InlineData(SuspensionKind.CoilOverArm)]
    [InlineData(SuspensionKind.Strut)]
    [InlineData(SuspensionKind.MultiLink)]
    [InlineData(SuspensionKind.TransverseLeaf)]
    [InlineData(SuspensionKind.TorsionBarArm)]
    [InlineData(SuspensionKind.TrailingArm)]
    [InlineData(SuspensionKind.CoilFourLink)]
    [InlineData(SuspensionKind.CoilRadiusArm)]
    [InlineData(SuspensionKind.CoilOverAxle)]
    [InlineData(SuspensionKind.LeafOverslung)]
    [InlineData(SuspensionKind.LeafUnderslung)]
    public void The_usual_joints_are_as_they_were_read(SuspensionKind kind) =>
        Same(
            $"joints-{kind}",
            VehicleGraph
                .Of(Cards.Vehicle(kind, kind), [])
                .Joints.Where(j => !j.Where.StartsWith('R') || j.Where == "rear")
                .SelectMany(Said)
        );

    private static IEnumerable<string> Said(GraphJoint j)
    {
        yield return $"{j.Rank, 2} {j.Place}: {j.Kind}{(j.OnBench ? ", on the bench" : "")}";
        foreach (var hold in j.Holds)
        {
            yield return $"     {hold.Hung.Said} hangs on the {hold.By.Said}: {hold.What}";
        }
        foreach (var f in j.Fasteners)
        {
            yield return $"     {f.Count} × {f.Position}{(f.NewPartOnly ? ", new" : "")}";
        }
        yield return $"     undo: {j.Undo}";
        string[] more =
        [
            .. j.Order is { } order ? [$"order: {order}"] : Array.Empty<string>(),
            .. j.Home is { } home ? [$"home: {home}"] : Array.Empty<string>(),
            .. j.Off.Count > 0 ? [$"off: {string.Join(" · ", j.Off)}"] : Array.Empty<string>(),
            .. j.Tools.Count > 0 ? [$"tools: {string.Join(", ", j.Tools)}"] : Array.Empty<string>(),
            .. j.Keeps is { } keeps
                ?
                [
                    $"keeps: {keeps.Title} | {keeps.How} | {keeps.Way} | {string.Join(", ", keeps.Tools)}",
                ]
                : Array.Empty<string>(),
        ];
        foreach (var line in more)
        {
            yield return $"     {line}";
        }
    }

    private static void Same(string name, IEnumerable<string> lines)
    {
        var file = Path.Combine(Folder, $"{name}.txt");
        var text = string.Join('\n', lines) + "\n";
        if (Environment.GetEnvironmentVariable("NOKKO_KEEP_CARDS") is not null)
        {
            Directory.CreateDirectory(Folder);
            File.WriteAllText(file, text);
        }
        Assert.Equal(File.ReadAllText(file), text);
    }
}
