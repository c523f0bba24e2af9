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
    IReadOnlyList<RoundWords> Words,
    IReadOnlyList<string> NotMeasured,
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
            ("words", Words),
            ("notMeasured", NotMeasured),
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
        var places = card.Joints.Select(j => j.Place).ToHashSet();
        var plan = d.BegunPlan();
        return new JobView(
            d,
            results,
            Progress.Of(d, results, style),
            card,
            [
                .. d
                    .Joints.Where(j => places.Contains(j.Place))
                    .Select(j => new JointLine(
                        j.Id,
                        FittingRules.Open(j, d.PassesOver(j.Id, plan?.Id))
                    )),
            ],
            [
                .. results.WalkRounds.Select(w => new RoundWords(
                    w.WalkRoundId,
                    StanceWords.Say(w, style)
                )),
            ],
            Progress.NotMeasuredOf(d, results),
            FollowUpSuggestion.For(d),
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

/// <summary>A joint of the card and what keeps its line open; null is closed.</summary>
internal sealed record JointLine(Guid JointId, string? Open);

/// <summary>A stance in plain sentences, in the person's unit.</summary>
internal sealed record RoundWords(Guid WalkRoundId, IReadOnlyList<string> Sentences);

/// <summary>A follow-up that this job calls for; distances are from the hand-over.</summary>
internal sealed record FollowUpSuggestion(string What, string Why, int Days, double Km)
{
    public static IReadOnlyList<FollowUpSuggestion> For(JobDocument d)
    {
        if (d.BegunPlan() is null)
        {
            return [];
        }
        return
        [
            new("Alignment at a licensed shop", "Height moves toe, camber and caster.", 7, 80),
            new("Headlight aim", "The nose angle changed.", 7, 80),
            new(
                "Re-torque all opened joints",
                "Paint and faces settle in the first 50 to 100 miles.",
                21,
                120
            ),
            new("Measure again", "Springs and bushings settle.", 60, 800),
        ];
    }
}
