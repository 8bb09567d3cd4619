using System.Reflection;
using HourGrid.Formats.Json;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.Extensions.Options;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace HourGrid.Server.Requests;

/// <summary>
/// The body of a request, read into its record. Asks and what else has a file format go through the reader of the format,
/// so that the API and the files take the same and refuse it with the same words.
/// </summary>
/// <typeparam name="T">What is read: a record whose fields may have attributes that bound them.</typeparam>
/// <param name="value">What was sent, within its bounds.</param>
internal sealed class Body<T>(T value) : IEndpointParameterMetadataProvider
{
    public T Value => value;

    /// <summary>Reads the body of a request, once what it says of itself is what it has to be.</summary>
    /// <exception cref="BadHttpRequestException">It is not sent as JSON in UTF-8, or is too large.</exception>
    /// <exception cref="FormatProblemsException">It is no JSON, or not what is to be sent here.</exception>
    public static async ValueTask<Body<T>> BindAsync(HttpContext http)
    {
        var json = http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        using var document = await BodyText.ReadAsync(http);
        return new(BodyShape<T>.Of(json).Read(document.RootElement));
    }

    /// <summary>Says in the API's description what is read here.</summary>
    public static void PopulateMetadata(ParameterInfo parameter, EndpointBuilder builder)
    {
        builder.Metadata.Add(new BodyType(typeof(T)));
        foreach (var status in new[] { StatusCodes.Status400BadRequest, StatusCodes.Status422UnprocessableEntity })
            builder.Metadata.Add(
                new Microsoft.AspNetCore.Mvc.ProducesResponseTypeAttribute(
                    typeof(ProblemDetails),
                    status,
                    "application/problem+json"
                )
            );
    }
}

/// <param name="Type">What the body of an endpoint is read into.</param>
internal sealed record BodyType(Type Type);
