<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Contracts\Routing\UrlRoutable;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Routing\UrlGenerator;

/**
 * Makes addresses as the framework does, sooner where they are plain. A page has a hundred and more of them, which took
 * a fifth of its time: nearly all are a route's own pattern with one key for each of its parameters.
 */
final class Addresses extends UrlGenerator
{
    /** What stands in an address as it is written. */
    private const PLAIN = '/^[\w.-]+$/D';

    /** @var array<string, Route|false> the routes by name whose pattern is all that is needed; not for others */
    private array $plain = [];

    public static function of(Application $app): self
    {
        $routes = $app->make('router')->getRoutes();
        $app->instance('routes', $routes);
        $renew = function (Application $app, Request $request): void {
            $app->make('url')->setRequest($request);
        };

        return new self($routes, $app->rebinding('request', $renew), $app->make('config')->get('app.asset_url'));
    }

    public function route($name, $parameters = [], $absolute = true): string
    {
        $route = is_string($name) && $absolute ? $this->plain[$name] ??= $this->plainRoute($name) : false;
        $keys = $route === false ? null : self::keys($route, is_array($parameters) ? $parameters : [$parameters]);

        return $route === false || $keys === null
            ? parent::route($name, $parameters, $absolute)
            : $this->format($this->formatRoot($this->formatScheme()), strtr($route->uri(), $keys), $route);
    }

    public function setRoutes($routes): static
    {
        $this->plain = [];

        return parent::setRoutes($routes);
    }

    private function plainRoute(string $name): Route|false
    {
        $route = $this->routes->getByName($name);
        $isPlain = $route !== null
            && ! str_contains($route->uri(), '?')
            && $route->getDomain() === null
            && $route->bindingFields() === []
            && ! $route->httpOnly()
            && ! $route->httpsOnly();

        return $isPlain ? $route : false;
    }

    /**
     * @param  array<array-key, mixed>  $parameters
     * @return ?array<string, string> what stands for each parameter of the pattern; null if it is not one plain key for
     *                                each, in their order or by their names
     */
    private static function keys(Route $route, array $parameters): ?array
    {
        $names = $route->parameterNames();
        if (count($names) !== count($parameters)) {
            return null;
        }
        $keys = [];
        foreach ($names as $at => $name) {
            $given = $parameters[$name] ?? $parameters[$at] ?? null;
            $key = $given instanceof UrlRoutable ? $given->getRouteKey() : $given;
            if ((! is_string($key) && ! is_int($key)) || preg_match(self::PLAIN, (string) $key) !== 1) {
                return null;
            }
            $keys["{{$name}}"] = (string) $key;
        }

        return $keys;
    }
}
