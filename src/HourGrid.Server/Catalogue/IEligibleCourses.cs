using System.Security.Claims;
using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Catalogue;

/// <summary>Knows which courses a student may take.</summary>
internal interface IEligibleCourses
{
    /// <summary>Whether who is signed in may take a course in a term; what must be taken beside it is in no way.</summary>
    /// <exception cref="Requests.RefusedException">Nobody is signed in, or the registrar does not answer and never did.</exception>
    Task<Func<Course, bool>> OfAsync(ClaimsPrincipal user, TermId term, CancellationToken cancellation);
}
