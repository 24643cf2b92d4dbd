<?php

namespace Tests\Feature;

use Illuminate\Http\Response;
use Illuminate\Testing\TestResponse;

/**
 * A response read as a browser reads it: a line break in a view is one space, and hides no sentence from a test that
 * asks for it, nor from one that says it must not be there.
 *
 * @extends TestResponse<\Symfony\Component\HttpFoundation\Response>
 */
final class ReadResponse extends TestResponse
{
    public function assertSee($value, $escape = true)
    {
        return $this->asRead(fn (TestResponse $read) => $read->assertSee($this->read($value), $escape));
    }

    public function assertDontSee($value, $escape = true)
    {
        return $this->asRead(fn (TestResponse $read) => $read->assertDontSee($this->read($value), $escape));
    }

    public function assertSeeText($value, $escape = true)
    {
        return $this->asRead(fn (TestResponse $read) => $read->assertSeeText($value, $escape));
    }

    public function assertDontSeeText($value, $escape = true)
    {
        return $this->asRead(fn (TestResponse $read) => $read->assertDontSeeText($value, $escape));
    }

    public function assertSeeTextInOrder(array $values, $escape = true)
    {
        return $this->asRead(fn (TestResponse $read) => $read->assertSeeTextInOrder($values, $escape));
    }

    /** The page with every run of white space as one space. */
    public function markup(): string
    {
        return $this->read((string) $this->getContent());
    }

    /**
     * @template T of string|list<string>
     *
     * @param  T  $text
     * @return T
     */
    private function read(mixed $text): mixed
    {
        return preg_replace('/\s+/', ' ', $text);
    }

    /** @param  callable(TestResponse<Response>): mixed  $assert */
    private function asRead(callable $assert): static
    {
        if (str_starts_with((string) $this->headers->get('Content-Type'), 'text/html')) {
            $assert(new TestResponse(new Response($this->markup())));

            return $this;
        }
        $assert(new TestResponse(new Response((string) $this->getContent())));

        return $this;
    }
}
