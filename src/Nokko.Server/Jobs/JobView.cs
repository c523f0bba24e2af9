using System.Reflection;
using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Jobs;

/// <summary>A job as a screen shows it: the document, what the core computes from it, and what comes next.</summary>
internal sealed record JobView(
    JobDocument Document,
    JobResults Results,
    Progress Progress,
    JobCard Card,
    IReadOnlyList<JointLine> JointLines,
    FittingNow Fitting,
    IReadOnlyList<RoundWords> Words,
    IReadOnlyList<string> NotMeasured,
    IReadOnlyList<string> TellDriver,
    IReadOnlyList<RoadCompared> RoadTest,
    IReadOnlyList<FollowUpSuggestion> FollowUpSuggestions,
    IReadOnlyList<AskedMeasure> Asked,
    IReadOnlyList<string> Raised,
    IReadOnlyList<Station> MoreStations,
    IReadOnlyList<AxleView> Axles,
    long Version,
    IReadOnlyDictionary<Guid, uint> Versions
)
{
    /// <summary>What is computed and differs between two views of a job, by the name of its place.</summary>
    public static IReadOnlyDictionary<string, JsonElement> Differences(
        JobView before,
        JobView after
    )
    {
        var was = before.Sections().ToDictionary(s => s.Name, s => Json(s.Value));
        return after
            .Sections()
            .Select(s => (s.Name, Value: Json(s.Value)))
            .Where(s => !JsonElement.DeepEquals(was[s.Name], s.Value))
            .ToDictionary(s => s.Name, s => s.Value);

        static JsonElement Json(object? value) =>
            JsonSerializer.SerializeToElement(
                value,
                value?.GetType() ?? typeof(object),
                JobJson.Options
            );
    }

    /// <summary>Every part of the results but what heads a file.</summary>
    private static readonly PropertyInfo[] OfResults =
    [
        .. typeof(JobResults)
            .GetProperties(BindingFlags.Public | BindingFlags.Instance)
            .Where(p =>
                p.Name
                    is not (
                        nameof(JobResults.Format)
                        or nameof(JobResults.Version)
                        or nameof(JobResults.Core)
                        or nameof(JobResults.JobId)
                        or nameof(JobResults.Ranking)
                        or nameof(JobResults.Cards)
                        or nameof(JobResults.Geometry)
                    )
            ),
    ];

    /// <summary>What is computed, each part by the name of its place in the view or in its results.</summary>
    private IEnumerable<(string Name, object? Value)> Sections() =>
        [
            .. OfResults.Select(p =>
                (JsonNamingPolicy.CamelCase.ConvertName(p.Name), p.GetValue(Results))
            ),
            ("progress", Progress),
            ("card", Card),
            ("jointLines", JointLines),
            ("fitting", Fitting),
            ("words", Words),
            ("notMeasured", NotMeasured),
            ("tellDriver", TellDriver),
            ("roadTest", RoadTest),
            ("followUpSuggestions", FollowUpSuggestions),
            ("asked", Asked),
            ("raised", Raised),
            ("moreStations", MoreStations),
            ("axles", Axles),
        ];

    public static JobView Of(
        JobDocument d,
        JobResults results,
        long version,
        IReadOnlyDictionary<Guid, uint> versions,
        LengthStyle style
    )
    {
        var card = Progress.CardOf(d);
        return new JobView(
            d,
            results,
            Progress.Of(d, results, style),
            card,
            JointLine.Of(d, card),
            FittingNow.Of(d, card),
            [
                .. results.WalkRounds.Select(w => new RoundWords(
                    w.WalkRoundId,
                    StanceWords.Say(w, style)
                )),
            ],
            Progress.NotMeasuredOf(d, results),
            ToldToDriver.Of(d, results, style),
            RoadCompared.Of(d),
            FollowUpSuggestion.Of(d, card),
            AskedMeasures.Of(d),
            d.CurrentStage() is { } now ? ReadingState.Of(d, now.Id).Raised : [],
            VehicleDefaults.MoreStations(
                VehicleDefaults.Fill(d.Vehicle.Dimensions, d.Vehicle.Kind),
                d.Vehicle.Kind
            ),
            AxleView.Of(d.VehicleNow()),
            version,
            versions
        );
    }
}

/// <summary>A joint of the card, in the card's order, and what keeps its line open; null is closed.</summary>
internal sealed record JointLine(Guid JointId, string? Open)
{
    public static IReadOnlyList<JointLine> Of(JobDocument d, JobCard card)
    {
        var plan = d.BegunPlan();
        return
        [
            .. RowsOf(d, card)
                .Select(j => new JointLine(
                    j.Id,
                    FittingRules.Open(j, d.PassesOver(j.Id, plan?.Id), d.TorqueBand())
                )),
        ];
    }

    /// <summary>The stored joints of a card, in its order.</summary>
    public static IEnumerable<Joint> RowsOf(JobDocument d, JobCard card)
    {
        var rows = d.Joints.DistinctBy(j => j.Place).ToDictionary(j => j.Place);
        return card.Joints.Select(j => rows.GetValueOrDefault(j.Place)).OfType<Joint>();
    }
}

/// <summary>What there is to say of a joint beside its line.</summary>
/// <param name="JointId">The joint.</param>
/// <param name="Differs">In what it differs from the same joint on the other side; null where it does not.</param>
/// <param name="Offered">The joint on the other side, whose spec is offered where this one has none.</param>
/// <param name="Again">Whether an earlier pass of this vehicle made it final, so that it is opened again.</param>
internal sealed record JointNote(Guid JointId, string? Differs, Guid? Offered, bool Again)
{
    public static IReadOnlyList<JointNote> Of(JobDocument d, JobCard card)
    {
        var plan = d.BegunPlan();
        var rows = JointLine.RowsOf(d, card).ToDictionary(j => j.Place);
        return
        [
            .. rows
                .Values.Select(j =>
                {
                    var twin = FittingRules.Twin(j.Place) is { } place
                        ? rows.GetValueOrDefault(place)
                        : null;
                    return new JointNote(
                        j.Id,
                        FittingRules.Differs(j, twin),
                        j.Spec is null && twin?.Spec is not null ? twin.Id : null,
                        d.TorqueEntries.Any(t =>
                            t.JointId == j.Id && t.PlanId != plan?.Id && t.Pass == Pass.Final
                        )
                    );
                })
                .Where(n => n is not { Differs: null, Offered: null, Again: false }),
        ];
    }
}

/// <summary>The fitting as it is at this moment.</summary>
/// <param name="Board">What holds the heavy members that are held otherwise than on an untouched vehicle.</param>
/// <param name="Loose">Places of joints that are open, or loosened and not yet home.</param>
/// <param name="Notes">What there is to say of its joints beside their lines.</param>
/// <param name="Unlooked">Places of joints that no second person has looked at, in the order of the card.</param>
/// <param name="Hangs">Whether it hangs now.</param>
internal sealed record FittingNow(
    IReadOnlyList<BoardLine> Board,
    IReadOnlyList<string> Loose,
    IReadOnlyList<JointNote> Notes,
    IReadOnlyList<string> Unlooked,
    bool Hangs
)
{
    public static FittingNow Of(JobDocument d, JobCard card)
    {
        var plan = d.BegunPlan();
        var done = d.Steps.Where(s => s.PlanId == plan?.Id).Select(s => s.Step).ToHashSet();
        return new(
            card.Board(done),
            card.Loose(done),
            JointNote.Of(d, card),
            plan is null ? [] : Progress.Unlooked(d, plan, card),
            FittingRules.Hangs(d.Supports)
        );
    }
}

/// <summary>A stance in plain sentences, in the person's unit.</summary>
internal sealed record RoundWords(Guid WalkRoundId, IReadOnlyList<string> Sentences);
