<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

use JsonSerializable;

/** What words of a document are: bold, a link, a claim. */
final readonly class Mark implements JsonSerializable
{
    public const BOLD = 'bold';

    public const ITALIC = 'italic';

    public const LINK = 'link';

    /** Words that say something the review found; its id leads to what they rest on. */
    public const CLAIM = 'claim';

    /** Words that people speak about; what they say is not part of the text. */
    public const REMARK = 'remark';

    /** @param  string  $value  an address, or the id of a claim or a remark; empty otherwise */
    public function __construct(public string $type, public string $value = '')
    {
    }

    /** @return array<string, string|array<string, string>> as ProseMirror's JSON, which Schema reads */
    public function jsonSerialize(): array
    {
        $name = $this->type === self::LINK ? 'href' : 'id';

        return ['type' => $this->type] + ($this->value === '' ? [] : ['attrs' => [$name => $this->value]]);
    }
}
