using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Keeps how far somebody says that an axle came up. It is compared with what was measured, and decides nothing.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is kept.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Gain">By how much; below zero came down.</param>
/// <param name="By">Who says so.</param>
public sealed record NoteToldGain(Guid CommandId, Guid Id, Axle Axle, QuantityInput Gain, ToldBy By)
    : JobCommand(CommandId)
{
    /// <summary>More than this nobody has ever lifted, mm.</summary>
    private const double MostMm = 600;

    /// <inheritdoc/>
    public override string Does() => "told gain kept";

    internal override void Decide(JobWork work)
    {
        var job = work.Document.Job;
        var gain =
            QuantityInput.Read(Gain, "gain", Unit.Mm, positive: false)
            ?? throw Refuse.Value("gain", "By how much do they say that it came up?");
        if (Math.Abs(gain.In(Unit.Mm)) > MostMm)
        {
            throw Refuse.Value("gain", "So far nothing comes up: check the unit.");
        }
        if (job.ToldGains.Any(t => t.Id == Id))
        {
            throw Refuse.Value("id", "This is kept already.");
        }
        work.Replace(
            job,
            job with
            {
                ToldGains =
                [
                    .. job.ToldGains,
                    new ToldGain
                    {
                        Id = Id,
                        Axle = Axle,
                        Gain = gain with { Known = Known.Told },
                        By = By,
                    },
                ],
            }
        );
    }
}
