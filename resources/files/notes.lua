-- footnotes of a report become footnotes of a document
function Span(el)
  if el.classes:includes('fn') then return pandoc.Note({ pandoc.Para(el.content) }) end
end
