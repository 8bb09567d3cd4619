using System.Security.Claims;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authentication.OpenIdConnect;

namespace HourGrid.Server.SignIn;

/// <summary>Signing in at the campus and out again, and who is here.</summary>
internal static class SignInEndpoints
{
    public static void MapSignIn(this IEndpointRouteBuilder api)
    {
        api.MapGet("/me", MeAsync).WithName("Me");
        // The browser itself goes there, and comes back to where it was.
        api.MapGet("/sign-in", SignInAsync).ExcludeFromDescription().LimitVisits();
        api.MapPost("/sign-out", SignOutAsync).WithName("SignOut").Produces<SignedOutRecord>().RequireAuthorization();
    }

    private static async Task<MeRecord> MeAsync(ClaimsPrincipal user, SignInState state) =>
        new(
            await state.IsOfferedAsync(),
            PersonClaims.NumberOf(user) is { } number
                ? new(number, user.FindFirstValue(PersonClaims.Name)!, user.FindFirstValue(PersonClaims.Role)!)
                : null
        );

    private static async Task<IResult> SignInAsync(string? from, SignInState state)
    {
        if (!await state.IsOfferedAsync())
            throw Wording.Refusals.NoSignIn();
        return TypedResults.Challenge(new() { RedirectUri = OwnPath(from) }, [SignInSetup.Campus]);
    }

    /// <summary>Ends it here, and gives the address at which it ends at the campus.</summary>
    private static async Task SignOutAsync(HttpContext http, SignInState state)
    {
        await http.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        if (await state.IsOfferedAsync() && PersonClaims.NumberOf(http.User) is not null)
            await http.SignOutAsync(SignInSetup.Campus, new AuthenticationProperties { RedirectUri = "/" });
        else
            await http.Response.WriteAsJsonAsync(new SignedOutRecord("/"));
    }

    /// <summary>The page asked in the background, and follows the address by itself.</summary>
    public static Task GiveAddressAsync(RedirectContext context)
    {
        context.ProtocolMessage.ClientId = context.Options.ClientId;
        // The handler notes where to go afterwards in the state only when it redirects itself.
        context.ProtocolMessage.State = context.Options.StateDataFormat.Protect(context.Properties);
        context.HandleResponse();
        return context.Response.WriteAsJsonAsync(
            new SignedOutRecord(context.ProtocolMessage.CreateLogoutRequestUrl())
        );
    }

    /// <summary>A path of our own pages; anything else leads to the first.</summary>
    public static string OwnPath(string? path) =>
        path is ['/', ..] && !path.StartsWith("//", StringComparison.Ordinal) && !path.Contains('\\') ? path : "/";
}

/// <summary>Who is here.</summary>
/// <param name="IsSignInOffered">Whether there is a campus to sign in at.</param>
/// <param name="Person">Who is signed in; null where nobody is.</param>
internal sealed record MeRecord(bool IsSignInOffered, PersonRecord? Person);

/// <summary>Somebody whom the campus knows.</summary>
/// <param name="Number">The campus's number.</param>
/// <param name="Name">The name.</param>
/// <param name="Role"><c>student</c>, <c>adviser</c>, <c>instructor</c> or <c>registrar</c>.</param>
internal sealed record PersonRecord(string Number, string Name, string Role);

/// <param name="Address">Where to go so that it ends at the campus, too.</param>
internal sealed record SignedOutRecord(string Address);
