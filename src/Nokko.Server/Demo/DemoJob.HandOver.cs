using Nokko.Core.Jobs;
using Nokko.Core.Units;

namespace Nokko.Server.Demo;

internal sealed partial class DemoJob
{
    /// <summary>What was to come came, and was done.</summary>
    public void FollowedUp()
    {
        foreach (var f in Document.FollowUps.ToArray())
        {
            Do(new FinishFollowUp(NewId(), f.Id, "done at the next visit"));
        }
    }

    /// <summary>Days go by.</summary>
    public void After(double days) => _now = _now.AddDays(days);

    /// <summary>It came back for work that was done here, was put right and left again.</summary>
    public void CameBack(ComebackInput what)
    {
        Do(new SayComeback(NewId(), 0, what));
        Later(40);
        HandOver("Put right at no charge.");
    }

    /// <summary>A drive before or after the work; what is not named was fine.</summary>
    public void Drive(
        bool after,
        params (RoadQuestion Question, RoadTrouble Trouble, string Note)[] troubles
    )
    {
        Later(20);
        Do(
            new NoteRoadTest(
                NewId(),
                NewId(),
                after,
                [
                    .. Enum.GetValues<RoadQuestion>()
                        .Select(q =>
                            troubles.FirstOrDefault(t => t.Question == q) is { Note: { } note } t
                                ? new RoadAnswer(q, t.Trouble, note)
                                : new RoadAnswer(q, RoadTrouble.None, null)
                        ),
                ]
            )
        );
    }

    /// <summary>Told, and signed with a wave.</summary>
    public void SignedBy(string name)
    {
        Later(5);
        Do(
            new Sign(
                NewId(),
                NewId(),
                name,
                SignedAs.Owner,
                ToldToDriver.Of(Document, JobEvaluator.Evaluate(Document), LengthStyle.Inches),
                [
                    [
                        .. Enumerable
                            .Range(0, 60)
                            .SelectMany(i =>
                                new[]
                                {
                                    120 + (i * 11),
                                    150 + (int)(90 * Math.Sin(i / 3.2) * Math.Cos(i / 11.0)),
                                }
                            ),
                    ],
                    [690, 210, 860, 180, 905, 176],
                ]
            )
        );
    }

    /// <summary>Handed over, with all that its job calls for to come.</summary>
    public void HandOver(string notes)
    {
        Later(30);
        var driven = _miles + 4;
        Do(
            new HandOver(
                NewId(),
                0,
                Miles(driven),
                notes,
                [
                    .. FollowUpSuggestion
                        .Of(Document, Progress.CardOf(Document))
                        .Select(f => new FollowUpInput(
                            NewId(),
                            f.What,
                            f.Why,
                            DateOnly.FromDateTime(_now.AddDays(f.Days).UtcDateTime),
                            f.Km > 0 ? Miles(Math.Round(driven + (f.Km / 1.609344))) : null
                        )),
                ]
            )
        );
    }
}
