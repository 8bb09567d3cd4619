using System.Security.Claims;
using HourGrid.StandIns.Campus;
using Microsoft.AspNetCore;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using OpenIddict.Abstractions;
using OpenIddict.Server.AspNetCore;
using static OpenIddict.Abstractions.OpenIddictConstants;

namespace HourGrid.StandIns.SignIn;

/// <summary>Who is it? A page with the sample people, and what the protocol asks besides.</summary>
internal static class SignInEndpoints
{
    public static void MapSignIn(this IEndpointRouteBuilder app)
    {
        app.MapGet("/connect/authorize", AuthorizeAsync);
        app.MapPost("/connect/authorize", AuthorizeAsync).DisableAntiforgery();
        app.MapGet("/connect/end-session", (Delegate)EndAsync);
        app.MapPost("/connect/end-session", (Delegate)EndAsync).DisableAntiforgery();
        app.MapGet("/sign-in", PageAsync);
        app.MapPost("/sign-in", ChooseAsync);
    }

    private static async Task<IResult> AuthorizeAsync(
        HttpContext http,
        CampusContext campus,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var request =
            http.GetOpenIddictServerRequest()
            ?? throw new InvalidOperationException("The request is none of OpenID Connect.");
        var known = await http.AuthenticateAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        var id = known.Principal?.FindFirstValue(Claims.Subject);
        var person = await CampusPeople.FindAsync(campus, catalogue, id, cancellation);
        if (person is null)
        {
            if (request.HasPromptValue(PromptValues.None))
                return Results.Forbid(
                    new(
                        new Dictionary<string, string?>
                        {
                            [OpenIddictServerAspNetCoreConstants.Properties.Error] = Errors.LoginRequired,
                            [OpenIddictServerAspNetCoreConstants.Properties.ErrorDescription] =
                                "Nobody is signed in.",
                        }
                    ),
                    [OpenIddictServerAspNetCoreDefaults.AuthenticationScheme]
                );
            var query = QueryString.Create(
                http.Request.HasFormContentType ? [.. http.Request.Form] : [.. http.Request.Query]
            );
            return Results.Challenge(
                new() { RedirectUri = $"/connect/authorize{query}" },
                [CookieAuthenticationDefaults.AuthenticationScheme]
            );
        }
        var identity = new ClaimsIdentity("campus", Claims.Name, SignInSetup.RoleClaim);
        identity.SetClaim(Claims.Subject, person.Id);
        identity.SetClaim(Claims.Name, person.Name);
        identity.SetClaim(Claims.Email, person.Mail);
        identity.SetClaim(SignInSetup.RoleClaim, person.Role);
        identity.SetScopes(request.GetScopes());
        identity.SetDestinations(_ => [Destinations.AccessToken, Destinations.IdentityToken]);
        return Results.SignIn(
            new ClaimsPrincipal(identity),
            authenticationScheme: OpenIddictServerAspNetCoreDefaults.AuthenticationScheme
        );
    }

    private static async Task<IResult> EndAsync(HttpContext http)
    {
        await http.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        return Results.SignOut(
            new() { RedirectUri = "/" },
            [OpenIddictServerAspNetCoreDefaults.AuthenticationScheme]
        );
    }

    private static async Task<RazorComponentResult> PageAsync(
        string? returnUrl,
        CampusContext campus,
        CancellationToken cancellation
    ) =>
        new RazorComponentResult<SignInPage>(
            new
            {
                ReturnUrl = returnUrl ?? "/",
                People = (IReadOnlyList<PersonRow>)
                    await campus.People.AsNoTracking().OrderBy(row => row.Name).ToListAsync(cancellation),
            }
        );

    private static async Task<IResult> ChooseAsync(
        [FromForm] string person,
        [FromForm] string returnUrl,
        HttpContext http,
        CampusContext campus,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        if (await CampusPeople.FindAsync(campus, catalogue, person, cancellation) is not { } known)
            return Results.Problem(statusCode: StatusCodes.Status404NotFound, detail: "There is no such person.");
        var identity = new ClaimsIdentity([new(Claims.Subject, known.Id)], "campus");
        await http.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, new ClaimsPrincipal(identity));
        return Results.LocalRedirect(returnUrl.StartsWith('/') ? returnUrl : "/");
    }
}
