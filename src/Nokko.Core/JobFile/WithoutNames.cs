using Nokko.Core.Fitting;
using Nokko.Core.Jobs;

namespace Nokko.Core.JobFile;

/// <summary>A job as it may be shown to anybody: what was measured and fitted, without what says who somebody is or whose vehicle it was.</summary>
public static class WithoutNames
{
    /// <summary>What stands where the owner's name stood.</summary>
    public const string Owner = "Owner";

    /// <summary>The job without names, contacts, plates, VINs, photographs, signatures and free words for the owner.</summary>
    public static JobDocument Of(JobDocument d) =>
        d with
        {
            Owner = d.Owner with { Name = Owner, Contact = null },
            Vehicle = d.Vehicle with { Plate = null, Vin = null },
            Job = d.Job with { OwnerNotes = null },
            People = [.. d.People.Select((p, i) => p with { Name = $"Fitter {i + 1}" })],
            Steps =
            [
                .. d.Steps.Select(s => s.AgreedBy is null ? s : s with { AgreedBy = "the owner" }),
            ],
            // A picture can show a plate, and a signature is a name.
            Attachments = [],
            Signatures = [],
        };
}
