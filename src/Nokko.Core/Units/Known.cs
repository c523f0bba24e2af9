using Nokko.Core.Suspension;

namespace Nokko.Core.Units;

/// <summary>How a value is known. Only <see cref="Measured"/> decides a verdict; all others inform.</summary>
public enum Known
{
    /// <summary>Read off the vehicle or part with an instrument.</summary>
    Measured,

    /// <summary>From a document: registration, service information, an instruction sheet.</summary>
    Document,

    /// <summary>Read off a box or a maker's page.</summary>
    Box,

    /// <summary>Told by somebody.</summary>
    Told,

    /// <summary>Judged by eye.</summary>
    ByEye,

    /// <summary>Estimated by a rule of thumb.</summary>
    Estimated,

    /// <summary>Taken from an archetype of the suspension.</summary>
    Archetype,

    /// <summary>Computed from other values.</summary>
    Computed,
}
