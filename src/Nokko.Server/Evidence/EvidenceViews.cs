using Nokko.Core.Evidence;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Evidence;

/// <summary>A job's trial in words and numbers.</summary>
/// <param name="JobId">The job.</param>
/// <param name="PlanId">The plan.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Said">Make, name and plate.</param>
/// <param name="Family">Family of its parts.</param>
/// <param name="Parts">Names of the parts that came.</param>
/// <param name="At">When it was measured.</param>
/// <param name="ClaimMm">What the makers claim, mm; null when none says.</param>
/// <param name="PredictedMm">Rise as predicted before the work, mm.</param>
/// <param name="PredictedUMm">Its standard uncertainty, mm.</param>
/// <param name="MeasuredMm">Rise as measured, mm.</param>
/// <param name="MeasuredUMm">Its standard uncertainty, mm.</param>
/// <param name="WhyNot">Why it teaches nothing; null when it does.</param>
internal sealed record TrialView(
    Guid JobId,
    Guid PlanId,
    Axle Axle,
    string Said,
    LiftFamily Family,
    IReadOnlyList<string> Parts,
    DateTimeOffset At,
    double? ClaimMm,
    double? PredictedMm,
    double? PredictedUMm,
    double? MeasuredMm,
    double? MeasuredUMm,
    string? WhyNot
);

/// <summary>Some trials, the latest first; those too that teach nothing, with the reason.</summary>
/// <param name="Trials">The trials.</param>
/// <param name="Next">What to ask for the next ones; null after the last.</param>
internal sealed record TrialsPage(IReadOnlyList<TrialView> Trials, string? Next);

/// <summary>How one job moved a line.</summary>
/// <param name="JobId">The job.</param>
/// <param name="Said">Make, name and plate.</param>
/// <param name="ExpectedMm">Free rise that the line expected, mm.</param>
/// <param name="FoundMm">Free rise that was found, mm.</param>
/// <param name="Ratio">The line's ratio after it.</param>
/// <param name="Off">Difference in standard deviations.</param>
/// <param name="IsOutlier">Whether somebody should look at the job again.</param>
internal sealed record StepView(
    Guid JobId,
    string Said,
    double ExpectedMm,
    double FoundMm,
    Estimate Ratio,
    double Off,
    bool IsOutlier
);

/// <summary>A lift line with what is drawn of it.</summary>
/// <param name="Platform">Name of the platform.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Suspension">Kind of suspension.</param>
/// <param name="Family">Family of parts.</param>
/// <param name="Prior">Ratio before any job.</param>
/// <param name="PriorOffsetMm">Offset before any job, mm.</param>
/// <param name="OffsetMm">Offset now, mm.</param>
/// <param name="Ratio">Ratio now.</param>
/// <param name="Covariance">Between the two, mm.</param>
/// <param name="Jobs">Trials that it rests on.</param>
/// <param name="Vehicles">Vehicles seen.</param>
/// <param name="Drawn">Trials, evenly out of all.</param>
/// <param name="Steps">The latest jobs and those that stand out.</param>
internal sealed record LineView(
    string Platform,
    Axle Axle,
    SuspensionKind Suspension,
    LiftFamily Family,
    Estimate Prior,
    Estimate PriorOffsetMm,
    Estimate OffsetMm,
    Estimate Ratio,
    double Covariance,
    int Jobs,
    int Vehicles,
    IReadOnlyList<LiftTrial> Drawn,
    IReadOnlyList<StepView> Steps
);

/// <summary>A claim beside what was measured.</summary>
/// <param name="PlanId">The plan.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Said">Make, name and plate.</param>
/// <param name="Parts">Names of the parts that came.</param>
/// <param name="ClaimMm">The claim, mm.</param>
/// <param name="MeasuredMm">What was measured, mm.</param>
/// <param name="MeasuredUMm">Its standard uncertainty, mm.</param>
internal sealed record ClaimView(
    Guid PlanId,
    Axle Axle,
    string Said,
    IReadOnlyList<string> Parts,
    double ClaimMm,
    double MeasuredMm,
    double MeasuredUMm
);

/// <summary>Lines and claims; the page does not grow with the jobs.</summary>
/// <param name="Trials">How many trials there are.</param>
/// <param name="Lines">Lift lines, those with most jobs first.</param>
/// <param name="Claims">How many claims of a lift were measured.</param>
/// <param name="ClaimsWithin">How many came true within a quarter inch and the tape.</param>
/// <param name="ClaimShare">Mean of measured over claimed; null without a claim.</param>
/// <param name="Drawn">Claims, evenly out of all.</param>
internal sealed record EvidenceView(
    int Trials,
    IReadOnlyList<LineView> Lines,
    int Claims,
    int ClaimsWithin,
    double? ClaimShare,
    IReadOnlyList<ClaimView> Drawn
);
